/** A code to be scanned, from rows of 0 and 1. */
export function Qr({ rows }: { rows: string[] }) {
  const size = rows.length;
  const path = rows
    .flatMap((row, y) => [...row].map((dot, x) => (dot === '1' ? 'M' + x + ' ' + y + 'h1v1h-1z' : '')))
    .join('');
  return (
    <svg
      className="qr"
      viewBox={'0 0 ' + size + ' ' + size}
      role="img"
      aria-label="The same address as a code"
    >
      <path d={path} />
    </svg>
  );
}
