import { Form } from 'react-bootstrap';

/** One of a few, as large buttons. */
export function Choice({
  legend,
  options,
  value,
  choose,
}: {
  legend: string;
  options: Record<string, string>;
  value: string;
  choose: (code: string) => void;
}) {
  return (
    <fieldset className="walk-field">
      <legend>{legend}</legend>
      <div className="chips">
        {Object.entries(options).map(([code, name]) => (
          <button key={code} type="button" aria-pressed={value === code} onClick={() => choose(code)}>
            {name}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** A number, typed. */
export function NumberField({
  id,
  label,
  value,
  change,
}: {
  id: string;
  label: string;
  value: string;
  change: (text: string) => void;
}) {
  return (
    <div className="walk-field">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        inputMode={label.includes('inches') ? 'text' : 'decimal'}
        style={{ minHeight: 48 }}
        value={value}
        onChange={(e) => change(e.target.value)}
      />
    </div>
  );
}
