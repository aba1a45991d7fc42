import { Form } from 'react-bootstrap';
import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { z } from './zod';
import { type Length, readLength, unitName, unitsShown, writeLength } from './measure';
import { DayField, decimal, SelectField, TextField } from './fields';

/** What is entered, by field, as it is typed. */
export type Typed = Record<string, string | boolean>;

/** The least and the most a number may be. */
export type Range = readonly [number, number];

/** One field of a form: everything that is said of it is said here. */
export type Field<T> = {
  name: keyof T & string;
  label: string;
  hint?: string;
} & (
  | { kind: 'text'; most: number; lines?: number; missing?: string }
  | { kind: 'number'; unit: string; as: string; missing?: string; percent?: true; range?: Range }
  | { kind: 'whole'; as: string; range?: Range }
  | { kind: 'date' | 'time'; missing: string }
  | { kind: 'choice'; options: Record<string, string>; none?: string; start?: string; missing?: string }
  | { kind: 'yes' }
);

/** Metres and centimetres are entered as whoever fills the form measures. */
const lengthOf = (unit: string): Length | undefined => (unit === 'm' || unit === 'cm' ? unit : undefined);

/** A number as it was typed in a field with this unit; a share is still in per cent. */
export function numberIn(text: string, unit: string): number | null {
  const length = lengthOf(unit);
  return length ? readLength(text, length, unitsShown()) : decimal(text);
}

const within = (value: number | null, range?: Range) => {
  return !range || value === null || (value >= range[0] && value <= range[1]);
};

const fromTo = (as: string, range?: Range) => (range ? `Give ${as} from ${range[0]} to ${range[1]}.` : '');

function schemaOf<T>(field: Field<T>): z.ZodType<string | boolean> {
  switch (field.kind) {
    case 'yes':
      return z.boolean();
    case 'text': {
      const text = z.string().max(field.most, `Give at most ${field.most} letters.`);
      return field.missing ? text.trim().min(1, field.missing) : text;
    }
    case 'number': {
      const number = z
        .string()
        .refine(
          (text) => !Number.isNaN(numberIn(text, field.unit)),
          `Give ${field.as} as a number, such as 4.2.`,
        )
        .refine((text) => within(numberIn(text, field.unit), field.range), fromTo(field.as, field.range));
      return field.missing ? number.refine((text) => text.trim() !== '', field.missing) : number;
    }
    case 'whole':
      return z
        .string()
        .refine(
          (text) => text.trim() === '' || /^\d+$/.test(text.trim()),
          `Give ${field.as} as a whole number.`,
        )
        .refine((text) => within(decimal(text), field.range), fromTo(field.as, field.range));
    case 'date':
    case 'time':
      return z.string().min(1, field.missing);
    case 'choice':
      return field.missing ? z.string().min(1, field.missing) : z.string();
  }
}

const startOf = <T,>(field: Field<T>): string | boolean =>
  field.kind === 'yes' ? false : field.kind === 'choice' ? (field.start ?? '') : '';

function typed<T>(field: Field<T>, value: unknown): string | boolean {
  if (field.kind === 'yes') return value === true;
  if (value === null || value === undefined) return '';
  // Shares are kept as fractions; without the noise of 0.07 times a hundred.
  if (field.kind === 'number' && field.percent) return String(Math.round(Number(value) * 1000) / 10);
  const length = field.kind === 'number' ? lengthOf(field.unit) : undefined;
  return length ? writeLength(Number(value), length, unitsShown()) : String(value);
}

function meant<T>(field: Field<T>, value: string | boolean): unknown {
  if (typeof value === 'boolean') return value;
  if (field.kind === 'number' || field.kind === 'whole') {
    const number = field.kind === 'number' ? numberIn(value, field.unit) : decimal(value);
    return number === null ? undefined : field.kind === 'number' && field.percent ? number / 100 : number;
  }
  return value.trim() || undefined;
}

/** What follows from the list of a form's fields: what may be entered, what it starts from, and its way to data and back. */
export function formOf<T extends object>(fields: readonly Field<T>[]) {
  return {
    schema: z.object(
      Object.fromEntries(fields.map((field) => [field.name, schemaOf(field)])),
    ) as unknown as z.ZodType<Typed, Typed>,
    names: fields.map((field) => field.name),
    labels: Object.fromEntries(fields.map((field) => [field.name, field.label])),
    empty: Object.fromEntries(fields.map((field) => [field.name, startOf(field)])) as Typed,
    typed: (data: T): Typed =>
      Object.fromEntries(fields.map((field) => [field.name, typed(field, data[field.name])])),
    data: (entered: Typed) =>
      Object.fromEntries(fields.map((field) => [field.name, meant(field, entered[field.name]!)])) as T,
  };
}

/** A field of a list as it is entered; {@code under} is where its list stands in the form, as "policy.". */
export function FieldInput<T, V extends FieldValues>({
  form,
  field,
  under = '',
}: {
  form: UseFormReturn<V>;
  field: Field<T>;
  under?: string;
}) {
  const { label, hint } = field;
  const name = (under + field.name) as Path<V>;
  switch (field.kind) {
    case 'choice':
      return (
        <SelectField
          form={form}
          name={name}
          label={label}
          hint={hint}
          options={field.options}
          none={field.none}
        />
      );
    case 'yes':
      return <Form.Check id={'field-' + name} label={label} {...form.register(name)} className="mb-3" />;
    case 'text':
      return <TextField form={form} name={name} label={label} hint={hint} lines={field.lines} />;
    case 'number': {
      const length = lengthOf(field.unit);
      return (
        <TextField
          form={form}
          name={name}
          label={label}
          hint={hint}
          unit={length ? unitName(length) : field.unit}
          inputMode={length && unitsShown() === 'imperial' ? undefined : 'decimal'}
        />
      );
    }
    case 'whole':
      return <TextField form={form} name={name} label={label} hint={hint} inputMode="numeric" />;
    case 'date':
      return <DayField form={form} name={name} label={label} hint={hint} />;
    case 'time':
      return <TextField form={form} name={name} label={label} hint={hint} type={field.kind} />;
  }
}
