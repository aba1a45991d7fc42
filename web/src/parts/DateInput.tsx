import { useRef, useState } from 'react';
import { readDay } from './day';
import { date } from './format';
import { Icon } from './Icon';

/**
 * A day: shown written out, typed as people write it, or picked from the device's own calendar. What is no day is said
 * beneath, and nothing is handed on until it is one.
 */
export function DateInput({
  id,
  label,
  value,
  onChange,
  max,
  small,
  invalid,
  describedBy,
  inputRef,
}: {
  id?: string;
  label?: string;
  /** As 2027-03-06; empty for none. */
  value: string;
  onChange: (day: string) => void;
  max?: string;
  small?: boolean;
  invalid?: boolean;
  describedBy?: string;
  inputRef?: React.Ref<HTMLInputElement>;
}) {
  const calendar = useRef<HTMLInputElement>(null);
  // While it is written it stands as it is written.
  const [written, setWritten] = useState<string>();
  const year = Number((value || max || new Date().toISOString()).slice(0, 4));
  const text = written ?? (value ? date(value) : '');
  const meant = readDay(text, year);
  const wrong =
    text.trim() === '' || written === undefined
      ? undefined
      : !meant
        ? 'Write the day as 6 Mar ' + year + '.'
        : max && meant > max
          ? 'Not after ' + date(max) + '.'
          : undefined;
  const write = (next: string) => {
    setWritten(next);
    const day = readDay(next, year);
    const taken = day && !(max && day > max) ? day : '';
    if (taken !== value) onChange(taken);
  };
  return (
    <span className="date-input">
      <span className="input-group flex-nowrap">
        <input
          ref={inputRef}
          id={id}
          aria-label={label}
          type="text"
          autoComplete="off"
          placeholder="6 Mar 2027"
          className={
            'form-control' + (small ? ' form-control-sm' : '') + (invalid || wrong ? ' is-invalid' : '')
          }
          aria-invalid={!!(invalid || wrong)}
          aria-describedby={describedBy}
          value={text}
          onChange={(e) => write(e.target.value)}
          onBlur={() => !wrong && setWritten(undefined)}
        />
        <button
          type="button"
          className={'btn btn-outline-secondary' + (small ? ' btn-sm' : '')}
          onClick={() => calendar.current?.showPicker?.()}
        >
          <Icon name="calendar3" label="Calendar" />
        </button>
      </span>
      <input
        ref={calendar}
        type="date"
        className="date-calendar"
        tabIndex={-1}
        aria-hidden="true"
        max={max}
        value={value}
        onChange={(e) => {
          setWritten(undefined);
          onChange(e.target.value);
        }}
      />
      {wrong && (
        <span className="small text-danger d-block" role="status">
          {wrong}
        </span>
      )}
    </span>
  );
}
