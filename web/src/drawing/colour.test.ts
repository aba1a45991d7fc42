import { describe, expect, it } from 'vitest';
import { leafColour } from './colour';

describe('the colour of leaf in light', () => {
  it('runs from dark to open', () => {
    expect(leafColour(0)).toBe('rgb(54 70 84)');
    expect(leafColour(0.3)).toBe('rgb(92 128 84)');
    expect(leafColour(1)).toBe('rgb(232 208 96)');
    expect(leafColour(0.45)).toBe('rgb(126 156 88)');
  });

  it('keeps within its ends', () => {
    expect(leafColour(-1)).toBe(leafColour(0));
    expect(leafColour(2)).toBe(leafColour(1));
  });
});
