/** What lies over the page until it is closed: by pressing beside it, or by Escape. */
export function OverAll({
  name,
  close,
  onKeyDown,
  children,
}: {
  name: string;
  close: () => void;
  onKeyDown?: (e: React.KeyboardEvent) => void;
  children: React.ReactNode;
}) {
  return (
    <div className="over-all" onClick={close}>
      <div
        className="find"
        role="dialog"
        aria-modal="true"
        aria-label={name}
        onClick={(e) => e.stopPropagation()}
        onKeyDown={(e) => (e.key === 'Escape' ? close() : onKeyDown?.(e))}
      >
        {children}
      </div>
    </div>
  );
}
