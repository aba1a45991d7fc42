import { type ReactNode, useState } from 'react';
import { Form } from 'react-bootstrap';
import { decimal } from './fields';
import { type Length, readLength, unitsShown, writeLength } from './measure';

/** One number with its unit, large enough for a gloved thumb; plus and minus beside it. */
export function NumberInput({
  label,
  unit,
  value,
  onChange,
  step,
  min = 0,
  max,
  hint,
  length,
}: {
  label: string;
  unit?: string;
  value: number | null | undefined;
  onChange: (value: number | undefined) => void;
  step: number;
  min?: number;
  max: number;
  hint?: string;
  /** The field's unit when it is a length: then feet and inches are understood too. */
  length?: Length;
}) {
  const [typed, setTyped] = useState<string>();
  const units = unitsShown();
  const read = (text: string) => (length ? readLength(text, length, units) : decimal(text));
  const write = (one: number) => (length ? writeLength(one, length, units) : String(one));
  const shown = typed ?? (value === null || value === undefined ? '' : write(value));
  const number = typed === undefined ? (value ?? null) : read(typed);
  const imperial = length && units === 'imperial';
  const named = imperial ? unit?.replace(/^(cm|m)\b/, length === 'm' ? 'feet and inches' : 'inches') : unit;
  const wrong = number !== null && (Number.isNaN(number) || number < min || number > max);
  const id = 'walk-' + label.toLowerCase().replace(/[^a-z]+/g, '-');
  const set = (text: string) => {
    const next = read(text);
    setTyped(text);
    // What cannot be used stays on the screen to be mended, and out of the survey.
    onChange(next === null || Number.isNaN(next) || next < min || next > max ? undefined : next);
  };
  const go = (by: number) => {
    // One step is an inch or half a foot for whoever measures so.
    const stepped = imperial ? Math.sign(by) * (length === 'm' ? 0.1524 : 2.54) : by;
    const next = Math.min(max, Math.max(min, (value ?? (by > 0 ? min : max > 0 ? 0 : max)) + stepped));
    setTyped(undefined);
    onChange(Math.round(next * 1000) / 1000);
  };
  return (
    <div className="walk-field">
      <label htmlFor={id}>
        {label}
        {named && <span className="faint fw-normal">, {named}</span>}
      </label>
      <div className="stepper">
        <button type="button" aria-label={'Less ' + label.toLowerCase()} onClick={() => go(-step)}>
          −
        </button>
        <Form.Control
          id={id}
          inputMode={length ? 'text' : 'decimal'}
          value={shown}
          isInvalid={wrong}
          onChange={(e) => set(e.target.value)}
          onBlur={() => !wrong && setTyped(undefined)}
        />
        <button type="button" aria-label={'More ' + label.toLowerCase()} onClick={() => go(step)}>
          +
        </button>
      </div>
      {wrong ? (
        <div className="text-danger small">
          Give a {length ? 'length' : 'number'} from {write(min)} to {write(max)}
          {named ? ' ' + named : ''}
          {length ? ', such as 35 cm, 14 in or 5 ft 6 in' : ''}.
        </div>
      ) : (
        hint && <div className="faint small">{hint}</div>
      )}
    </div>
  );
}

/** One choice among a few as chips; pressing the chosen one takes it back. */
export function Chips({
  label,
  options,
  value,
  onChange,
  hint,
  columns,
}: {
  label: string;
  /** Code and name; in pairs where codes that look like numbers are to keep their order. */
  options: Record<string, string> | [string, string][];
  value: string | undefined;
  onChange: (value: string | undefined) => void;
  hint?: string;
  /** In even columns instead of as wide as each name. */
  columns?: number;
}) {
  return (
    <fieldset className="walk-field">
      <legend>{label}</legend>
      <div
        className={columns ? 'chips even' : 'chips'}
        style={columns ? { gridTemplateColumns: `repeat(${columns}, 1fr)` } : undefined}
      >
        {(Array.isArray(options) ? options : Object.entries(options)).map(([code, name]) => (
          <button
            key={code}
            type="button"
            aria-pressed={value === code}
            onClick={() => onChange(value === code ? undefined : code)}
          >
            {name}
          </button>
        ))}
      </div>
      {hint && <div className="faint small">{hint}</div>}
    </fieldset>
  );
}

/** Any number of choices as chips. */
export function Ticks({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: Record<string, string>;
  value: readonly string[];
  onChange: (value: string[]) => void;
}) {
  return (
    <fieldset className="walk-field">
      <legend>{label}</legend>
      <div className="chips">
        {Object.entries(options).map(([code, name]) => (
          <button
            key={code}
            type="button"
            aria-pressed={value.includes(code)}
            onClick={() =>
              onChange(value.includes(code) ? value.filter((one) => one !== code) : [...value, code])
            }
          >
            {name}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

const ROSE = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'];

/** A direction: the eight points as chips, or degrees. */
export function Direction({
  value,
  onChange,
  label,
}: {
  value: number | undefined;
  onChange: (deg: number | undefined) => void;
  label: string;
}) {
  return (
    <>
      <Chips
        label={label}
        columns={4}
        options={ROSE.map((point, i): [string, string] => [String(i * 45), point])}
        value={value === undefined ? undefined : String(value)}
        onChange={(deg) => onChange(deg === undefined ? undefined : Number(deg))}
      />
      <NumberInput
        label={label + ' by compass'}
        unit="degrees"
        value={value}
        onChange={onChange}
        step={15}
        max={359}
      />
    </>
  );
}

/** A foldable part for what is asked less often. */
export function More({ title, children, open }: { title: string; children: ReactNode; open?: boolean }) {
  return (
    <details className="walk-field" open={open}>
      <summary className="fw-semibold mb-2">{title}</summary>
      {children}
    </details>
  );
}
