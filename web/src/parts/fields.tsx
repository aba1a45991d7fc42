import { Form } from 'react-bootstrap';
import {
  Controller,
  type FieldValues,
  type Path,
  type UseFormReturn,
  type UseFormSetError,
} from 'react-hook-form';
import { Problem } from '../api/client';
import { DateInput } from './DateInput';

interface FieldProps<T extends FieldValues> {
  form: UseFormReturn<T>;
  name: Path<T>;
  label: string;
  unit?: string;
  hint?: string;
}

function errorOf<T extends FieldValues>(form: UseFormReturn<T>, name: Path<T>): string | undefined {
  return form.getFieldState(name, form.formState).error?.message;
}

/** What is wrong with a field, else its hint; the field names it as its description. */
function Note({ id, error, hint }: { id: string; error?: string; hint?: string }) {
  return (
    <div id={id + '-note'} className={'small ' + (error ? 'text-danger' : 'faint')}>
      {error ?? hint}
    </div>
  );
}

/** A text or a number with its unit, its hint and what is wrong with it. */
export function TextField<T extends FieldValues>({
  form,
  name,
  label,
  unit,
  hint,
  lines,
  ...more
}: FieldProps<T> & { inputMode?: 'decimal' | 'numeric'; type?: string; lines?: number }) {
  const error = errorOf(form, name);
  const id = 'field-' + name;
  return (
    <Form.Group className="mb-3">
      <Form.Label htmlFor={id}>
        {label}
        {unit && <span className="faint">, {unit}</span>}
      </Form.Label>
      <Form.Control
        id={id}
        {...form.register(name)}
        isInvalid={!!error}
        aria-invalid={!!error}
        aria-describedby={id + '-note'}
        {...(lines ? { as: 'textarea' as const, rows: lines } : {})}
        {...more}
      />
      <Note id={id} error={error} hint={hint} />
    </Form.Group>
  );
}

/** A day. */
export function DayField<T extends FieldValues>({ form, name, label, hint }: FieldProps<T>) {
  const error = errorOf(form, name);
  const id = 'field-' + name;
  return (
    <Form.Group className="mb-3">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Controller
        control={form.control}
        name={name}
        render={({ field }) => (
          <DateInput
            id={id}
            inputRef={field.ref}
            value={String(field.value ?? '')}
            onChange={field.onChange}
            invalid={!!error}
            describedBy={id + '-note'}
          />
        )}
      />
      <Note id={id} error={error} hint={hint} />
    </Form.Group>
  );
}

/** A choice among a few. */
export function SelectField<T extends FieldValues>({
  form,
  name,
  label,
  hint,
  options,
  none,
}: FieldProps<T> & { options: Record<string, string>; none?: string }) {
  const error = errorOf(form, name);
  const id = 'field-' + name;
  return (
    <Form.Group className="mb-3">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Select
        id={id}
        {...form.register(name)}
        isInvalid={!!error}
        aria-invalid={!!error}
        aria-describedby={id + '-note'}
      >
        {none !== undefined && <option value="">{none}</option>}
        {Object.entries(options).map(([code, text]) => (
          <option key={code} value={code}>
            {text}
          </option>
        ))}
      </Form.Select>
      <Note id={id} error={error} hint={hint} />
    </Form.Group>
  );
}

/** Puts what the server refused at the fields it named; {@code at} says where in the form each of them stands. */
export function showRefused<T extends FieldValues>(
  error: unknown,
  setError: UseFormSetError<T>,
  at: (name: string) => string = (name) => name,
) {
  if (!(error instanceof Problem)) return;
  for (const field of error.errors) {
    const name = field.pointer
      .replace(/^\/data/, '')
      .replace(/^\//, '')
      .replaceAll('/', '.');
    if (name)
      setError(at(name) as Path<T>, {
        message: field.detail.charAt(0).toUpperCase() + field.detail.slice(1) + '.',
      });
  }
}

/** A decimal number as people type it: a comma will do. Empty gives null, nonsense NaN. */
export function decimal(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return plain === '' ? null : /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : NaN;
}
