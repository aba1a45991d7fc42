import { act, useState } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Chips, NumberInput } from './inputs';

let root: Root;
let box: HTMLElement;
/** All that was told to the survey, the newest last. */
const told: (number | string | undefined)[] = [];

function Width({ start }: { start?: number }) {
  const [value, setValue] = useState(start);
  return (
    <NumberInput
      label="Width"
      unit="cm"
      value={value}
      onChange={(next) => {
        told.push(next);
        setValue(next);
      }}
      step={0.5}
      min={0.1}
      max={200}
    />
  );
}

function Lean() {
  const [value, setValue] = useState<string>();
  return (
    <Chips
      label="Lean"
      options={{ none: 'upright', old: 'an old lean' }}
      value={value}
      onChange={(next) => {
        told.push(next);
        setValue(next);
      }}
    />
  );
}

const show = (part: React.ReactNode) => act(() => root.render(part));
const press = (name: string) =>
  act(() => box.querySelector<HTMLElement>(`button[aria-label="${name}"]`)!.click());
const type = (text: string) =>
  act(() => {
    const input = box.querySelector('input')!;
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, text);
    input.dispatchEvent(new Event('input', { bubbles: true }));
  });

beforeEach(() => {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  box = document.body.appendChild(document.createElement('div'));
  root = createRoot(box);
});
afterEach(() => {
  act(() => root.unmount());
  box.remove();
});

describe('a number in the field', () => {
  it('understands a comma and forgets what is wiped out', () => {
    show(<Width />);
    type('12,5');
    expect(told.at(-1)).toBe(12.5);
    type('');
    expect(told.at(-1)).toBeUndefined();
  });

  it('keeps nonsense on the screen and out of the survey, saying what is wanted', () => {
    show(<Width start={4} />);
    type('14 in');
    expect(told.at(-1)).toBeUndefined();
    expect(box.querySelector('input')!.value).toBe('14 in');
    expect(box.textContent).toContain('Give a number from 0.1 to 200 cm.');
  });

  it('refuses what lies outside its range', () => {
    show(<Width />);
    type('900');
    expect(told.at(-1)).toBeUndefined();
    expect(box.querySelector('input')!.classList).toContain('is-invalid');
  });

  it('steps up and down without leaving its range', () => {
    show(<Width start={0.4} />);
    press('More width');
    expect(told.at(-1)).toBe(0.9);
    press('Less width');
    press('Less width');
    expect(told.at(-1)).toBe(0.1);
  });
});

describe('a choice by chips', () => {
  it('is chosen by one press and taken back by another', () => {
    show(<Lean />);
    const chip = () => box.querySelectorAll<HTMLElement>('button')[1]!;
    act(() => chip().click());
    expect(told.at(-1)).toBe('old');
    expect(chip().getAttribute('aria-pressed')).toBe('true');
    act(() => chip().click());
    expect(told.at(-1)).toBeUndefined();
  });
});
