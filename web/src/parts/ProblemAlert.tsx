import { Alert } from 'react-bootstrap';
import { Problem } from '../api/client';
import { fieldInWords } from './fieldInWords';

/** What went wrong, and each field that was refused unless it is shown at the field itself. */
export function ProblemAlert({ error, withFields = true }: { error: unknown; withFields?: boolean }) {
  if (!error) return null;
  const problem = error instanceof Problem ? error : new Problem(0, String(error));
  return (
    <Alert variant="danger" role="alert">
      {problem.message}
      {withFields && problem.errors.length > 0 && (
        <ul className="mb-0">
          {problem.errors.map((field) => (
            <li key={field.pointer}>
              <strong>{fieldInWords(field.pointer)}</strong> {field.detail}
            </li>
          ))}
        </ul>
      )}
    </Alert>
  );
}
