import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import type { FieldProblem } from '../api/client';
import { TREE_FIELDS } from '../orchard/treeFields';
import { fieldWords } from '../vocabulary/bulk';
import { mended, type Rows, type Wrong, without, wrongIn } from './table';

const SHOWN = 40;
const LINES_SHOWN = 6;

/** What was refused of a table, mended here: nothing is typed again, and the same mistake is mended once. */
export function Mend({
  table,
  errors,
  change,
}: {
  table: Rows;
  errors: FieldProblem[];
  change: (table: Rows) => void;
}) {
  const wrongs = wrongIn(table, errors);
  const elsewhere = errors.filter((one) => !one.pointer.startsWith('/lines/'));
  return (
    <Alert variant="danger">
      Nothing was registered yet. Mend these here, then register:
      <ul className="mends">
        {elsewhere.map((one) => (
          <li key={one.pointer}>{one.detail}</li>
        ))}
        {wrongs.slice(0, SHOWN).map((wrong) => (
          <One
            key={wrong.field + wrong.value + wrong.rows[0]}
            wrong={wrong}
            mend={(value) => change(mended(table, wrong, value))}
            drop={() => change(without(table, wrong))}
          />
        ))}
        {wrongs.length > SHOWN && <li>and {wrongs.length - SHOWN} more, shown when these are mended</li>}
      </ul>
    </Alert>
  );
}

function One({ wrong, mend, drop }: { wrong: Wrong; mend: (value: string) => void; drop: () => void }) {
  const [value, setValue] = useState(wrong.value);
  const field = TREE_FIELDS.find((one) => one.name === wrong.field);
  const options = field?.kind === 'choice' ? field.options : undefined;
  const lines = wrong.rows.map((row) => row + 2);
  const many = wrong.rows.length > 1;
  const name = fieldWords(wrong.field);
  const label = name + (wrong.value ? ' “' + wrong.value + '”' : '');
  return (
    <li>
      <span>
        {many ? 'Lines ' : 'Line '}
        {lines.slice(0, LINES_SHOWN).join(', ')}
        {lines.length > LINES_SHOWN && ' and ' + (lines.length - LINES_SHOWN) + ' more'}: {label} {wrong.says}
        .
      </span>
      <form
        className="d-flex flex-wrap gap-2 my-1"
        onSubmit={(e) => {
          e.preventDefault();
          mend(value);
        }}
      >
        {options ? (
          <Form.Select
            size="sm"
            style={{ width: 'auto' }}
            aria-label={label + ' means'}
            value={value in options ? value : ''}
            onChange={(e) => setValue(e.target.value)}
          >
            <option value="">Choose</option>
            {Object.entries(options).map(([code, text]) => (
              <option key={code} value={code}>
                {text}
              </option>
            ))}
          </Form.Select>
        ) : (
          <Form.Control
            size="sm"
            style={{ maxWidth: 220 }}
            aria-label={label + ' means'}
            value={value}
            onChange={(e) => setValue(e.target.value)}
          />
        )}
        <Button size="sm" type="submit" disabled={value === wrong.value}>
          {many ? 'Mend in all ' + wrong.rows.length : 'Mend'}
        </Button>
        <Button size="sm" variant="link" onClick={drop}>
          Leave {many ? 'these rows' : 'this row'} out
        </Button>
      </form>
    </li>
  );
}
