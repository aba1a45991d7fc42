import type { Difference } from './compare';

/** Where two that should say the same differ, side by side. */
export function Differences({ found, names }: { found: Difference[]; names: [string, string] }) {
  if (found.length === 0) return <p>They say the same.</p>;
  return (
    <table className="table table-sm clash">
      <thead>
        <tr>
          <th />
          <th>{names[0]}</th>
          <th>{names[1]}</th>
        </tr>
      </thead>
      <tbody>
        {found.map((one) => (
          <tr key={one.what}>
            <th scope="row">{one.what}</th>
            <td>{one.yours}</td>
            <td>{one.theirs}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
