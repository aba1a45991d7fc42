/** A state as a word in its colour; never by colour alone. */
export function State({ code, word }: { code: string; word: string }) {
  return <span className={'state ' + code}>{word}</span>;
}
