import { fieldInWords } from './fieldInWords';

/** What differs, field by field: what it was, what it is. */
export function BeforeAfter({
  changes,
}: {
  changes: { field: string; of?: string | null; before: string; after: string }[];
}) {
  if (changes.length === 0) return <p className="faint small mb-0">Nothing that is shown anywhere.</p>;
  return (
    <ul className="before-after small mb-0">
      {changes.map(({ field, of, before, after }, i) => (
        <li key={i}>
          {of && <strong>{of}, </strong>}
          {fieldInWords('/' + field.replaceAll('.', '/'))}:{' '}
          {before ? <del>{before}</del> : <span>nothing</span>} →{' '}
          {after ? <ins>{after}</ins> : <span>nothing</span>}
        </li>
      ))}
    </ul>
  );
}
