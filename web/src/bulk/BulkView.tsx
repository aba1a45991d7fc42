import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { Problem, type Table } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { fieldWords } from '../vocabulary/bulk';
import { useAddMap, useAddTable, useLookIntoTable } from './queries';

/** Many trees in and out: a table whose columns are matched on screen, or a map. */
export function BulkView() {
  const siteId = Number(useParams().siteId);
  const look = useLookIntoTable(siteId);
  const addTable = useAddTable(siteId);
  const addMap = useAddMap(siteId);
  const [text, setText] = useState('');
  const [fields, setFields] = useState<string[]>([]);
  useTitle('Trees in and out');
  const table = look.data;
  const added = addTable.data ?? addMap.data;
  const choose = async (file: File | undefined) => {
    if (!file) return;
    look.reset();
    addTable.reset();
    addMap.reset();
    if (/json$/i.test(file.name)) return addMap.mutate(await file.text());
    const content = await file.text();
    setText(content);
    look.mutate(content, { onSuccess: (seen) => setFields(seen.suggested) });
  };
  const lacking = ['tag', 'species', 'eastM', 'northM'].filter((field) => !fields.includes(field));
  const error = look.error ?? addTable.error ?? addMap.error;
  return (
    <>
      <h1>Trees in and out</h1>
      <p>
        Out:{' '}
        <a href={'/api/sites/' + siteId + '/trees.csv'} download>
          all trees as a table (CSV)
        </a>
        ,{' '}
        <a href={'/api/sites/' + siteId + '/trees.geojson'} download>
          as a map (GeoJSON)
        </a>
        . With surveys and everything else: the archive, at{' '}
        <Link to={'/sites/' + siteId + '/settings'}>Site</Link>.
      </p>
      <Form.Group controlId="bulk-file" className="mb-3" style={{ maxWidth: 480 }}>
        <Form.Label>In: a table (CSV) or a map of points (GeoJSON)</Form.Label>
        <Form.Control
          type="file"
          accept=".csv,.txt,.json,.geojson"
          onChange={(e) => {
            const input = e.target as HTMLInputElement;
            // Emptied again, or choosing the same file once it was mended would change nothing.
            void choose(input.files?.[0]).finally(() => (input.value = ''));
          }}
        />
      </Form.Group>
      {added && (
        <Alert variant="success">
          {added.trees} {added.trees === 1 ? 'tree is' : 'trees are'} registered.{' '}
          <Link to={'/sites/' + siteId}>See the orchard</Link>
        </Alert>
      )}
      {error instanceof Problem && error.errors.length > 0 ? (
        <Alert variant="danger">
          Nothing was registered. Mend these in the file and choose it again:
          <ul className="mb-0">
            {error.errors.slice(0, 60).map((wrong) => (
              <li key={wrong.pointer}>
                {place(wrong.pointer)} {wrong.detail}
              </li>
            ))}
            {error.errors.length > 60 && <li>and {error.errors.length - 60} more</li>}
          </ul>
        </Alert>
      ) : (
        <ProblemAlert error={error} />
      )}
      {table && !added && (
        <>
          <Columns table={table} fields={fields} setFields={setFields} />
          {lacking.length > 0 && (
            <p className="text-danger">
              Match a column to {lacking.map((field) => fieldWords(field).toLowerCase()).join(' and ')}.
            </p>
          )}
          <Button
            disabled={lacking.length > 0 || addTable.isPending}
            onClick={() => addTable.mutate({ text, fields })}
          >
            Register {table.rows} {table.rows === 1 ? 'tree' : 'trees'}
          </Button>
        </>
      )}
    </>
  );
}

/** /lines/3/species: Line 3, kind */
function place(pointer: string): string {
  const [, where, number, ...rest] = pointer.split('/');
  const field = rest.at(-1);
  const name =
    where === 'lines' ? 'Line ' + number : where === 'features' ? 'Point ' + (Number(number) + 1) : '';
  return name + (field ? ', ' + fieldWords(field).toLowerCase() : '') + ':';
}

/** Each column with its first values and the field it fills. */
function Columns({
  table,
  fields,
  setFields,
}: {
  table: Table;
  fields: string[];
  setFields: (fields: string[]) => void;
}) {
  return (
    <div className="table-responsive">
      <table className="table table-sm">
        <thead>
          <tr>
            <th>Column</th>
            <th>First rows</th>
            <th>Fills</th>
          </tr>
        </thead>
        <tbody>
          {table.columns.map((column, i) => (
            <tr key={i}>
              <td>{column || 'column ' + (i + 1)}</td>
              <td className="faint">{table.first.map((row) => row[i] ?? '').join(' · ')}</td>
              <td>
                <Form.Select
                  size="sm"
                  aria-label={'Field of column ' + (column || i + 1)}
                  value={fields[i] ?? ''}
                  onChange={(e) =>
                    setFields(
                      table.columns.map((_, j) =>
                        j === i ? e.target.value : fields[j] === e.target.value ? '' : (fields[j] ?? ''),
                      ),
                    )
                  }
                >
                  <option value="">nothing, pass it over</option>
                  {table.fields.map((field) => (
                    <option key={field} value={field}>
                      {fieldWords(field)}
                    </option>
                  ))}
                </Form.Select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
