import { useEffect, useState, useSyncExternalStore } from 'react';
import { useWhatChanged, useUndo } from '../api/changes';
import { lastChange } from '../api/client';
import { BeforeAfter } from '../parts/BeforeAfter';
import { ProblemAlert } from '../parts/ProblemAlert';
import { ENTITIES } from '../vocabulary/verdict';

/** So long it stands there unasked. */
const SHOWN_MS = 12_000;

/** What was just changed, before and after, and its undoing; it goes by itself. */
export function Undo() {
  const id = useSyncExternalStore(lastChange.hear, () => lastChange.id);
  const change = useWhatChanged(id);
  const undo = useUndo();
  const [open, setOpen] = useState(false);
  const [undone, setUndone] = useState<number>();
  const close = () => {
    setOpen(false);
    lastChange.tell(undefined);
  };
  useEffect(() => {
    if (id === undefined || open) return;
    const away = window.setTimeout(() => lastChange.tell(undefined), SHOWN_MS);
    return () => window.clearTimeout(away);
  }, [id, open, undone]);
  if (id === undefined || !change.data || (!change.data.undoable && undone !== id)) return null;
  const what = ENTITIES[change.data.entity] ?? change.data.entity;
  return (
    <aside className="undo no-print" aria-label="Last change" aria-live="polite">
      {undone === id ? (
        <span>Undone.</span>
      ) : (
        <>
          <span>Saved: {what}.</span>
          <button
            type="button"
            className="btn btn-link btn-sm"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            Before and after
          </button>
          <button
            type="button"
            className="btn btn-outline-light btn-sm"
            disabled={undo.isPending}
            onClick={() => undo.mutate(id, { onSuccess: () => setUndone(id) })}
          >
            Undo
          </button>
        </>
      )}
      <button type="button" className="btn btn-link btn-sm" onClick={close}>
        Close
      </button>
      {open && undone !== id && <BeforeAfter changes={change.data.changes} />}
      <ProblemAlert error={undo.error} />
    </aside>
  );
}
