import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { type FieldProblem, Problem } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { fieldWords } from '../vocabulary/bulk';
import { Mend } from './Mend';
import { type Rows, stillWrong, toCsv } from './table';
import { useAddMap, useAddTable, useLookIntoTable } from './queries';

const ROWS_SHOWN = 5;
const MOST_SAID = 60;

/** Many trees in and out: a table whose columns are matched on screen, or a map. */
export function BulkView() {
  const siteId = Number(useParams().siteId);
  const look = useLookIntoTable(siteId);
  const addTable = useAddTable(siteId);
  const addMap = useAddMap(siteId);
  const [table, setTable] = useState<Rows>();
  // What the server said of the table, as far as it is not mended.
  const [wrong, setWrong] = useState<FieldProblem[]>([]);
  useTitle('Trees in and out');
  const known = look.data?.fields ?? [];
  const added = addTable.data ?? addMap.data;
  const choose = async (file: File | undefined) => {
    if (!file) return;
    look.reset();
    addTable.reset();
    addMap.reset();
    setTable(undefined);
    setWrong([]);
    if (/json$/i.test(file.name)) return addMap.mutate(await file.text());
    look.mutate(await file.text(), {
      onSuccess: (seen) => setTable({ columns: seen.columns, fields: seen.suggested, cells: seen.rows }),
    });
  };
  const register = () =>
    table &&
    addTable.mutate(
      { text: toCsv(table), fields: table.fields },
      { onError: (refused) => setWrong(refused instanceof Problem ? refused.errors : []) },
    );
  const mend = (next: Rows, left: FieldProblem[]) => {
    setTable(next);
    setWrong(left);
    addTable.reset();
  };
  const lacking = ['tag', 'species', 'eastM', 'northM'].filter((field) => !table?.fields.includes(field));
  const error = look.error ?? addTable.error ?? addMap.error;
  const ofMap = addMap.error instanceof Problem ? addMap.error.errors : [];
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
      {ofMap.length > 0 ? (
        <Alert variant="danger">
          Nothing was registered. Mend these in the file and choose it again:
          <ul className="mb-0">
            {ofMap.slice(0, MOST_SAID).map((one) => (
              <li key={one.pointer}>
                {place(one.pointer)} {one.detail}
              </li>
            ))}
            {ofMap.length > MOST_SAID && <li>and {ofMap.length - MOST_SAID} more</li>}
          </ul>
        </Alert>
      ) : (
        wrong.length === 0 && <ProblemAlert error={error} />
      )}
      {table && !added && (
        <>
          {wrong.length > 0 && (
            <Mend
              table={table}
              errors={wrong}
              change={(next) => mend(next, stillWrong(table, next, wrong))}
            />
          )}
          <Columns table={table} known={known} setFields={(fields) => mend({ ...table, fields }, [])} />
          {lacking.length > 0 && (
            <p className="text-danger">
              Match a column to {lacking.map((field) => fieldWords(field).toLowerCase()).join(' and ')}.
            </p>
          )}
          <Button disabled={lacking.length > 0 || addTable.isPending} onClick={register}>
            Register {table.cells.length} {table.cells.length === 1 ? 'tree' : 'trees'}
          </Button>
        </>
      )}
    </>
  );
}

/** /features/3/properties/species: Point 4, kind */
function place(pointer: string): string {
  const [, , number, ...rest] = pointer.split('/');
  const field = rest.at(-1);
  return 'Point ' + (Number(number) + 1) + (field ? ', ' + fieldWords(field).toLowerCase() : '') + ':';
}

/** Each column with its first values and the field it fills. */
function Columns({
  table,
  known,
  setFields,
}: {
  table: Rows;
  known: string[];
  setFields: (fields: string[]) => void;
}) {
  const { fields } = table;
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
              <td className="faint">
                {table.cells
                  .slice(0, ROWS_SHOWN)
                  .map((row) => row[i] ?? '')
                  .join(' · ')}
              </td>
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
                  {known.map((field) => (
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
