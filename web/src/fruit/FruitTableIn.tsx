import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { counted } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTakeTableIn } from './queries';

/** Takes the fruit of many trees and years in, as a table. */
export function FruitTableIn({ siteId }: { siteId: number }) {
  const take = useTakeTableIn(siteId);
  const [said, setSaid] = useState('');
  return (
    <details className="my-3">
      <summary>Fruit as a table (CSV)</summary>
      <p>
        <a href={'/api/sites/' + siteId + '/fruit.csv'}>Take the table out</a>, fill it in a spreadsheet, and
        take it in again: a row a tree and year. A row with anything wrong keeps all of it out.
      </p>
      <Form.Control
        type="file"
        accept=".csv,text/csv"
        aria-label="Table of fruit to take in"
        onChange={(e) => {
          const file = (e.target as HTMLInputElement).files?.[0];
          if (file)
            void file
              .text()
              .then((text) => take.mutateAsync(text))
              .then((taken) => setSaid(counted(taken.rows, 'row') + ' taken in.'))
              .catch(() => setSaid(''));
        }}
      />
      <p role="status">{said}</p>
      <ProblemAlert error={take.error} />
    </details>
  );
}
