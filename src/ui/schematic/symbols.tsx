import { memo } from 'react';
import { useDrawing } from './context';

/** A point of a drawing, in its own units (about pixels). */
export interface At {
  readonly x: number;
  readonly y: number;
}

export const stroke = {
  stroke: 'var(--ink)',
  strokeWidth: 1.6,
  fill: 'none',
  strokeLinecap: 'round',
} as const;

export const Wire = memo(function Wire({
  points,
}: {
  readonly points: readonly (readonly [number, number])[];
}) {
  return (
    <polyline points={points.map(([x, y]) => `${x},${y}`).join(' ')} {...stroke} strokeLinejoin="round" />
  );
});

interface ResistorProps extends At {
  readonly lying?: boolean;
  /** A trimmer: an arrow across. */
  readonly adjustable?: boolean;
}

/** Resistor, 34 long: a box in IEC, a zigzag in ANSI. Centre at x, y. */
export const ResistorSymbol = memo(function ResistorSymbol({
  x,
  y,
  lying = false,
  adjustable = false,
}: ResistorProps) {
  const { style } = useDrawing();
  return (
    <g transform={`translate(${x} ${y})${lying ? ' rotate(-90)' : ''}`}>
      {style === 'iec' ? (
        <rect x={-6.5} y={-17} width={13} height={34} {...stroke} fill="var(--card)" />
      ) : (
        <>
          <path d="M0 -17 v34" stroke="var(--card)" strokeWidth={5} fill="none" />
          <path
            d="M0 -17 l6.5 2.8 l-13 5.7 l13 5.7 l-13 5.7 l13 5.7 l-13 5.7 l6.5 2.7"
            {...stroke}
            strokeLinejoin="round"
          />
        </>
      )}
      {adjustable && <path d="M-13 12 L13 -12 M13 -12 l-7 1.4 M13 -12 l-2.4 6.6" {...stroke} />}
    </g>
  );
});

/** Photoresistor: a resistor with light falling on it, in ANSI within a circle. */
export const LdrSymbol = memo(function LdrSymbol({ x, y }: At) {
  const { style } = useDrawing();
  return (
    <g>
      {style === 'ansi' && <circle cx={x} cy={y} r={20} {...stroke} strokeWidth={1.2} fill="var(--card)" />}
      <ResistorSymbol x={x} y={y} />
      {style === 'ansi' && <path d={`M${x} ${y - 20} v3 M${x} ${y + 17} v3`} {...stroke} />}
      {[0, 11].map((shift) => (
        <g key={shift} stroke="var(--amber-ink)" strokeWidth={1.6} fill="none" strokeLinecap="round">
          <path d={`M${x - 32} ${y - 20 + shift} l14 10`} />
          <path d={`M${x - 23.5} ${y - 10.2 + shift} l5.5 0.2 l-1.8 -5.2`} />
        </g>
      ))}
    </g>
  );
});

/** A diode lying in a wire, its bar to the right. */
export const LyingDiode = memo(function LyingDiode({ x, y }: At) {
  return (
    <g transform={`rotate(-90 ${x} ${y})`}>
      <DiodeShape x={x} y={y} />
    </g>
  );
});

/** A diode's triangle and bar; `up` points it at the plus side. */
function DiodeShape({ x, y, up = false }: At & { readonly up?: boolean }) {
  const { style } = useDrawing();
  return (
    <g transform={`translate(${x} ${y})${up ? ' rotate(180)' : ''}`}>
      <path d="M-8 -8 h16 l-8 14 z" {...stroke} fill={style === 'ansi' ? 'var(--ink)' : 'var(--card)'} />
      <path d="M-8 7 h16" {...stroke} />
      {style === 'iec' && <path d="M0 -8 v14" {...stroke} strokeWidth={1.1} />}
    </g>
  );
}

/** LED pointing down, filled with as much light as it has. @param share of full current, 0–1 */
export function LedSymbol({ x, y, share }: At & { readonly share: number }) {
  const light = Math.min(1, Math.max(0, share));
  return (
    <g>
      {light > 0.02 && <circle cx={x} cy={y} r={18} fill="var(--amber)" opacity={0.35 * light} />}
      <DiodeShape x={x} y={y} />
      <path d={`M${x - 8} ${y - 8} h16 l-8 14 z`} fill="var(--amber)" opacity={light} />
      {[0, 8].map((shift) => (
        <path
          key={shift}
          d={`M${x - 12} ${y - 2 + shift} l-8 7 m0.5 -4.5 l-0.5 4.5 l4.5 -0.6`}
          {...stroke}
          strokeWidth={1.3}
        />
      ))}
    </g>
  );
}

/** The diode across a coil, its bar towards plus, joined to both ends of what it guards. */
export const FlybackSymbol = memo(function FlybackSymbol({
  x,
  from,
  to,
}: {
  readonly x: number;
  readonly from: number;
  readonly to: number;
}) {
  const [high, low] = [from + 14, to - 14];
  return (
    <g>
      <path d={`M${x} ${high} h32 V${low} H${x}`} {...stroke} />
      <Dot x={x} y={high} />
      <Dot x={x} y={low} />
      <DiodeShape x={x + 32} y={(high + low) / 2} up />
    </g>
  );
});

/** A comparator, its inputs `reach` above and below its middle: a box in IEC, a triangle in ANSI. */
export const ComparatorSymbol = memo(function ComparatorSymbol({
  x,
  y,
  upper,
  reach = 27,
}: At & { readonly upper: '+' | '−'; readonly reach?: number }) {
  const { style } = useDrawing();
  const [half, tall] = [reach > 20 ? 30 : 24, reach * 1.45 + (reach > 10 ? 0 : 4)];
  const sign = (text: string, dy: number) => (
    <text x={x - half + 6} y={y + dy + 5} className="name" fill="var(--ink)">
      {text}
    </text>
  );
  return (
    <g>
      {style === 'iec' ? (
        <>
          <rect x={x - half} y={y - tall} width={2 * half} height={2 * tall} {...stroke} fill="var(--card)" />
          <path d={`M${x + 2} ${y - 6} v12 l11 -6 z`} {...stroke} strokeWidth={1.3} />
        </>
      ) : (
        <path
          d={`M${x - half} ${y - tall - 3} v${2 * tall + 6} l${2 * half} ${-tall - 3} z`}
          {...stroke}
          fill="var(--card)"
          strokeLinejoin="round"
        />
      )}
      {sign(upper, -reach)}
      {sign(upper === '+' ? '−' : '+', reach)}
    </g>
  );
});

/** A capacitor: two plates across the wire. */
export const CapacitorSymbol = memo(function CapacitorSymbol({
  x,
  y,
  lying = false,
}: At & { readonly lying?: boolean }) {
  return (
    <g transform={`translate(${x} ${y})${lying ? ' rotate(90)' : ''}`}>
      <path d="M0 -4 v8" stroke="var(--card)" strokeWidth={5} />
      <path d="M-11 -4 h22 M-11 4 h22" {...stroke} strokeWidth={2.2} />
    </g>
  );
});

export const Dot = memo(function Dot({ x, y }: At) {
  return <circle cx={x} cy={y} r={3.2} fill="var(--ink)" />;
});
