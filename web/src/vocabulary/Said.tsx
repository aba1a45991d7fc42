import { useState } from 'react';
import { GLOSSARY } from './glossary';

/** The longest first, so that a main branch is not taken for a branch. */
const WORDS = Object.keys(GLOSSARY)
  .map((word) => word.replace(/ \(.*/, ''))
  .sort((one, other) => other.length - one.length);
const TERM = new RegExp('\\b(' + WORDS.join('|') + ')(s?)\\b', 'i');

const meaningOf = (word: string) =>
  Object.entries(GLOSSARY).find(
    ([known]) => known.replace(/ \(.*/, '').toLowerCase() === word.toLowerCase(),
  )?.[1];

/** A sentence whose first word of the trade tells its meaning under the pointer, or by a tap. */
export function Said({ text }: { text: string }) {
  const found = TERM.exec(text);
  const means = found && meaningOf(found[1]!);
  if (!means) return <>{text}</>;
  return (
    <>
      {text.slice(0, found.index)}
      <Term word={found[0]} means={means} />
      {text.slice(found.index + found[0].length)}
    </>
  );
}

function Term({ word, means }: { word: string; means: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="term"
        title={means}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        onBlur={() => setOpen(false)}
      >
        {word}
      </button>
      {open && (
        <span className="term-means" role="status">
          {' '}
          ({means})
        </span>
      )}
    </>
  );
}
