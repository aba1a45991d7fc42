import { useEffect, useRef } from 'react';
import { GLOSSARY } from '../vocabulary/glossary';
import { OverAll } from './OverAll';

const KEYS: [string, string][] = [
  ['/', 'find a tree, a person, a day, a word'],
  ['?', 'these keys'],
  ['left, right', 'walk round the tree, on its drawing'],
  ['up, down', 'a year on or back, on the drawing; a window later or earlier, on a cut'],
  ['left, right', 'the next pane, on the names of the panes'],
  ['Escape', 'let go of what is held; close what is open'],
];

/** The keys, and the words of the trade. */
export function Keys({ close }: { close: () => void }) {
  const box = useRef<HTMLButtonElement>(null);
  useEffect(() => box.current?.focus(), []);
  return (
    <OverAll name="Keys and words" close={close}>
      <h2>Keys</h2>
      <dl className="keys">
        {KEYS.map(([key, does], i) => (
          <div key={i}>
            <dt>{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <h2>Words</h2>
      <dl className="keys">
        {Object.entries(GLOSSARY).map(([word, says]) => (
          <div key={word}>
            <dt>{word}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
      <button ref={box} type="button" className="btn btn-outline-primary" onClick={close}>
        Close
      </button>
    </OverAll>
  );
}
