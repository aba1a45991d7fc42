import type { Worded } from '../api/client';

/** Reasons in full sentences, each with where its rule or number comes from. */
export function Reasons({ reasons }: { reasons: Worded[] }) {
  return (
    <ul className="reasons">
      {reasons.map((reason, i) => (
        <li key={i}>
          {reason.text} <span className="source">({reason.source})</span>
        </li>
      ))}
    </ul>
  );
}

/** A state as a word in its colour; never by colour alone. */
export function State({ code, word }: { code: string; word: string }) {
  return <span className={'state ' + code}>{word}</span>;
}
