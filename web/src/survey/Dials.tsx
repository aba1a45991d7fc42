import { type KeyboardEvent, type PointerEvent, useRef } from 'react';

const STEP_DEG = 5;

function usePull(of: (x: number, y: number) => number, onChange: (deg: number) => void) {
  const box = useRef<SVGSVGElement>(null);
  const pull = (e: PointerEvent) => {
    const matrix = box.current?.getScreenCTM();
    if (!matrix) return;
    const point = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    onChange(of(point.x, point.y));
  };
  return {
    ref: box,
    onPointerDown: (e: PointerEvent) => {
      e.currentTarget.setPointerCapture?.(e.pointerId);
      pull(e);
    },
    onPointerMove: (e: PointerEvent) => e.buttons > 0 && pull(e),
  };
}

const keys =
  (value: number | undefined, from: number, onChange: (deg: number) => void) => (e: KeyboardEvent) => {
    const by = { ArrowUp: STEP_DEG, ArrowRight: STEP_DEG, ArrowDown: -STEP_DEG, ArrowLeft: -STEP_DEG }[e.key];
    if (!by) return;
    e.preventDefault();
    onChange(value === undefined ? from : value + by);
  };

/** The direction a limb points, by touching or turning round a rose: 0 north, 90 east. */
export function Rose({
  value,
  onChange,
  label,
}: {
  value: number | null | undefined;
  onChange: (deg: number) => void;
  label: string;
}) {
  const set = (deg: number) => onChange((((Math.round(deg / STEP_DEG) * STEP_DEG) % 360) + 360) % 360);
  const pull = usePull((x, y) => (Math.atan2(x, -y) * 180) / Math.PI, set);
  const deg = value ?? undefined;
  return (
    <svg
      {...pull}
      className="dial"
      viewBox="-60 -60 120 120"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={deg ?? 0}
      aria-valuetext={deg === undefined ? 'not said yet' : deg + ' degrees'}
      onKeyDown={keys(deg, 0, set)}
    >
      <circle r={46} fill="var(--sheet)" stroke="var(--faint)" strokeWidth={2} />
      {['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'].map((name, i) => {
        const turn = (i * Math.PI) / 4;
        return (
          <text
            key={name}
            x={35 * Math.sin(turn)}
            y={-35 * Math.cos(turn) + 4}
            fontSize={i % 2 ? 9 : 13}
            fontWeight={i % 2 ? 500 : 700}
            textAnchor="middle"
          >
            {name}
          </text>
        );
      })}
      {deg !== undefined && (
        <g transform={`rotate(${deg})`}>
          <path d="M0 4L0 -26" stroke="var(--damson)" strokeWidth={5} strokeLinecap="round" />
          <path d="M-8 -20L0 -34L8 -20Z" fill="var(--damson)" />
        </g>
      )}
    </svg>
  );
}

/** The angle above level, by pulling a limb up or down: 90 straight up, below 0 hanging. */
export function Tilt({
  value,
  onChange,
  label,
}: {
  value: number | null | undefined;
  onChange: (deg: number) => void;
  label: string;
}) {
  const set = (deg: number) => onChange(Math.min(90, Math.max(-90, Math.round(deg / STEP_DEG) * STEP_DEG)));
  const pull = usePull((x, y) => (Math.atan2(-y, Math.max(x, 0)) * 180) / Math.PI, set);
  const deg = value ?? undefined;
  return (
    <svg
      {...pull}
      className="dial"
      viewBox="-22 -60 120 120"
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={-90}
      aria-valuemax={90}
      aria-valuenow={deg ?? 0}
      aria-valuetext={deg === undefined ? 'not said yet' : deg + ' degrees above level'}
      onKeyDown={keys(deg, 45, set)}
    >
      <path d="M0 -50A50 50 0 0 1 0 50" fill="var(--sheet)" stroke="var(--faint)" strokeWidth={2} />
      <rect x={-10} y={-56} width={9} height={112} fill="var(--bark)" />
      {[90, 60, 45, 30, 0, -30].map((mark) => (
        <text
          key={mark}
          x={62 * Math.cos((mark * Math.PI) / 180) + 4}
          y={-57 * Math.sin((mark * Math.PI) / 180) + 4}
          fontSize={10}
        >
          {mark}°
        </text>
      ))}
      {deg !== undefined && (
        <path
          d="M0 0L46 0"
          transform={`rotate(${-deg})`}
          stroke="var(--damson)"
          strokeWidth={6}
          strokeLinecap="round"
        />
      )}
    </svg>
  );
}
