import { memo } from 'react';

/** A point of a drawing, in its own units (about pixels). */
interface At {
  readonly x: number;
  readonly y: number;
}

const stroke = { stroke: 'var(--ink)', strokeWidth: 1.6, fill: 'none', strokeLinecap: 'round' } as const;

export const Wire = memo(function Wire({
  points,
}: {
  readonly points: readonly (readonly [number, number])[];
}) {
  return (
    <polyline points={points.map(([x, y]) => `${x},${y}`).join(' ')} {...stroke} strokeLinejoin="round" />
  );
});

/** Resistor (IEC): a box, upright or lying, 34 long. Centre at x, y. */
export const ResistorSymbol = memo(function ResistorSymbol({
  x,
  y,
  lying = false,
}: At & { readonly lying?: boolean }) {
  const [width, height] = lying ? [34, 13] : [13, 34];
  return (
    <rect x={x - width / 2} y={y - height / 2} width={width} height={height} {...stroke} fill="var(--card)" />
  );
});

/** Photoresistor (IEC): a resistor with light falling on it. */
export const LdrSymbol = memo(function LdrSymbol({ x, y }: At) {
  return (
    <g>
      <ResistorSymbol x={x} y={y} />
      {[0, 11].map((shift) => (
        <g key={shift} stroke="var(--amber-ink)" strokeWidth={1.6} fill="none" strokeLinecap="round">
          <path d={`M${x - 28} ${y - 20 + shift} l14 10`} />
          <path d={`M${x - 19.5} ${y - 10.2 + shift} l5.5 0.2 l-1.8 -5.2`} />
        </g>
      ))}
    </g>
  );
});

/** LED pointing down, filled with as much light as it has. @param share of full current, 0–1 */
export function LedSymbol({ x, y, share }: At & { readonly share: number }) {
  return (
    <g>
      {share > 0.02 && (
        <circle cx={x} cy={y} r={19} fill="var(--amber)" opacity={0.35 * Math.min(1, share)} />
      )}
      <path d={`M${x - 9} ${y - 8} h18 l-9 15 z`} {...stroke} fill="var(--card)" />
      <path d={`M${x - 9} ${y - 8} h18 l-9 15 z`} fill="var(--amber)" opacity={Math.min(1, share)} />
      <path d={`M${x - 9} ${y + 8} h18`} {...stroke} />
      {[0, 8].map((shift) => (
        <path
          key={shift}
          d={`M${x - 13} ${y - 2 + shift} l-8 7 m0.5 -4.5 l-0.5 4.5 l4.5 -0.6`}
          {...stroke}
          strokeWidth={1.3}
        />
      ))}
    </g>
  );
}

/** NPN transistor; base at the left (x − 12), collector and emitter at x + 12, 20 above and below. */
export const NpnSymbol = memo(function NpnSymbol({ x, y }: At) {
  return (
    <g>
      <circle cx={x + 2} cy={y} r={20} {...stroke} fill="var(--card)" strokeWidth={1.2} />
      <path d={`M${x - 18} ${y} h12 M${x - 6} ${y - 12} v24`} {...stroke} strokeWidth={2.2} />
      <path
        d={`M${x - 6} ${y - 5} L${x + 12} ${y - 17} V${y - 20} M${x - 6} ${y + 5} L${x + 12} ${y + 17} V${y + 20}`}
        {...stroke}
      />
      <path d={`M${x + 10.5} ${y + 16} l-8.2 -1 l4 -6 z`} fill="var(--ink)" />
    </g>
  );
});

export const Dot = memo(function Dot({ x, y }: At) {
  return <circle cx={x} cy={y} r={3.2} fill="var(--ink)" />;
});

/** A test point's letter and what a meter shows there; `x`, `y` is the pill's left or right middle. */
export const TestPointTag = memo(function TestPointTag({
  x,
  y,
  side,
  id,
  text,
}: At & { readonly side: 'left' | 'right'; readonly id: string; readonly text: string }) {
  const width = 31 + text.length * 7.2;
  const left = side === 'right' ? x : x - width;
  return (
    <g>
      <rect x={left} y={y - 10} width={width} height={20} rx={3.5} fill="var(--ink)" />
      <text x={left + 7} y={y + 4.5} className="tag" fill="var(--card)" fontWeight={700}>
        {id}
      </text>
      <text x={left + width - 6} y={y + 4.5} className="tag" fill="var(--card)" textAnchor="end">
        {text}
      </text>
    </g>
  );
});

/** Designator and value beside a part, on one or two lines. */
export const PartLabel = memo(function PartLabel({
  x,
  y,
  anchor,
  name,
  value,
}: At & { readonly anchor: 'start' | 'end' | 'middle'; readonly name: string; readonly value?: string }) {
  return (
    <text x={x} y={y} textAnchor={anchor} fill="var(--ink)">
      <tspan x={x} className="name">
        {name}
      </tspan>
      {value !== undefined && (
        <tspan x={x} dy={15} className="value">
          {value}
        </tspan>
      )}
    </text>
  );
});
