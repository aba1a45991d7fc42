import { useRef, useState } from 'react';
import { Link, NavLink } from 'react-router';
import { OverAll } from './OverAll';
import type { Role } from '../api/me';
import { pathFor } from './places';

/** Under the thumb: what is wanted outdoors, and the rest behind one button. */
export function PhoneBar({
  siteId,
  walking,
  role,
}: {
  siteId: number;
  walking: boolean;
  role: Role | undefined;
}) {
  const [open, setOpen] = useState(false);
  const more = useRef<HTMLButtonElement>(null);
  const close = () => {
    setOpen(false);
    more.current?.focus();
  };
  const site = '/sites/' + siteId;
  return (
    <>
      <nav className="phone-bar" aria-label="On the phone">
        {role === 'owner' ? (
          <NavLink to={site + '/mine'}>My trees</NavLink>
        ) : (
          <>
            <NavLink to={site + '/today'}>Today</NavLink>
            <NavLink to={site + '/walk'} className={({ isActive }) => (isActive || walking ? 'active' : '')}>
              Walk
            </NavLink>
            <NavLink to={site + '/log'}>Log</NavLink>
          </>
        )}
        <button
          ref={more}
          type="button"
          aria-haspopup="dialog"
          aria-expanded={open}
          onClick={() => setOpen(true)}
        >
          More
        </button>
      </nav>
      {open && (
        <OverAll name="All places" close={close}>
          <ul className="all-places">
            {pathFor(role).map(([name, at], i) => (
              <li key={name}>
                <Link to={site + at} autoFocus={i === 0} onClick={() => setOpen(false)}>
                  {name}
                </Link>
              </li>
            ))}
          </ul>
        </OverAll>
      )}
    </>
  );
}
