import { useState } from 'react';
import type { Palette } from './ink';

/** The sheet's colours, as the style sheet has them. */
export function usePalette(): Palette {
  const [palette] = useState(() => {
    const style = getComputedStyle(document.documentElement);
    const colour = (name: string) => {
      const found = style.getPropertyValue('--' + name).trim();
      // A browser may write "#abc" where the style sheet said "#aabbcc".
      return found.length === 4
        ? '#' + [...found.slice(1)].map((digit) => digit + digit).join('')
        : found || '#000000';
    };
    return {
      sheet: colour('sheet'),
      ink: colour('ink'),
      wood: colour('drawn-wood'),
      going: colour('damson'),
      goingWood: colour('damson-pale'),
      picked: colour('damson-lit'),
      answer: colour('leaf-mid'),
      leaf: ['shade', 'half-shade', 'half-light', 'light'].map((name) => colour('drawn-leaf-' + name)),
      goingLeaf: colour('drawn-leaf-going'),
    };
  });
  return palette;
}
