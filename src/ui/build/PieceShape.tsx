import { eachOhms } from '@/core/parts/kinds/resistor';
import type { Piece } from '@/core/build/pieces';
import { bandsOf, type BandColor } from '@/core/build/marking';
import { capacitorKindOf } from '@/core/parts/kinds/capacitor';
import type { ReactNode } from 'react';
import type { At } from './boardPlaces';

/** How a band is painted; always told in words beside too. */
export const BAND_PAINT: Readonly<Record<BandColor, string>> = {
  black: '#1B1D24',
  brown: '#7A4A2B',
  red: '#C6392F',
  orange: '#E07B22',
  yellow: '#E5C018',
  green: '#2E8B57',
  blue: '#2F62B5',
  violet: '#7D4BA0',
  grey: '#8C919E',
  white: '#F5F5F5',
  gold: '#B8912F',
  silver: '#B9BEC8',
};

interface PieceShapeProps {
  readonly piece: Piece;
  /** Where its legs are. */
  readonly at: readonly At[];
}

/** A piece in plan: what tells it from others and which way round it is. */
export function PieceShape({ piece, at }: PieceShapeProps) {
  const { body } = piece;
  if (body.kind === 'dip') return <DipShape piece={piece} at={at} />;
  if (body.kind === 'in-line') return <InLineShape piece={piece} at={at} />;
  return <TwoLegs piece={piece} at={at} />;
}

function TwoLegs({ piece, at }: PieceShapeProps) {
  const [from, to] = at;
  if (!from || !to) return null;
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  const angle = (Math.atan2(dy, dx) * 180) / Math.PI;
  return (
    <g transform={`translate(${from.x} ${from.y}) rotate(${angle})`}>
      <line x1={0} y1={0} x2={length} y2={0} stroke="var(--ink-soft)" strokeWidth={1.6} />
      <g transform={`translate(${length / 2} 0)`}>{bodyShape(piece, length)}</g>
      <Leg x={0} />
      <Leg x={length} />
    </g>
  );
}

const Leg = ({ x }: { readonly x: number }) => <circle cx={x} cy={0} r={3.2} fill="var(--ink)" />;

/** The body about its middle, the second leg to the right. */
function bodyShape({ part }: Piece, length: number): ReactNode {
  const half = Math.max(8, Math.min(22, length / 2 - 7));
  const outline = { fill: 'var(--card)', stroke: 'var(--ink)', strokeWidth: 1.4 };
  switch (part.kind) {
    case 'resistor': {
      const bands = bandsOf(Number(eachOhms(part).toPrecision(9)), part.tolerance) ?? [];
      return (
        <>
          <rect x={-half} y={-5.5} width={2 * half} height={11} rx={4} {...outline} />
          {bands.map((band, index) => (
            <rect
              key={`${index} ${band}`}
              x={-half + 4 + (index * (2 * half - 11)) / Math.max(1, bands.length - 1)}
              y={-5.5}
              width={3}
              height={11}
              fill={BAND_PAINT[band]}
              className="paint"
            />
          ))}
        </>
      );
    }
    case 'diode':
      return (
        <>
          <rect x={-half} y={-5} width={2 * half} height={10} rx={2} {...outline} />
          <rect x={half - 6} y={-5} width={3.5} height={10} fill="var(--ink)" />
        </>
      );
    case 'led':
      return (
        <>
          <path d="M 6 -5.3 A 8 8 0 1 0 6 5.3 Z" {...outline} fill="var(--amber-soft)" />
          <text x={-2} y={3.5} textAnchor="middle" className="mark">
            +
          </text>
        </>
      );
    case 'ldr':
      return (
        <>
          <circle r={9} {...outline} />
          <path
            d="M -5 -4 H 4 V -1.3 H -4 V 1.3 H 4 V 4 H -5"
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.2}
          />
        </>
      );
    case 'capacitor':
      return capacitorKindOf(part.farads) === 'electrolytic' ? (
        <>
          <circle r={9.5} {...outline} />
          <path d="M 5.5 -7.7 A 9.5 9.5 0 0 1 5.5 7.7 Z" fill="var(--ink)" />
          <text x={-4} y={4} textAnchor="middle" className="mark">
            +
          </text>
        </>
      ) : (
        <rect x={-8} y={-4} width={16} height={8} rx={4} {...outline} />
      );
    default:
      return (
        <>
          <circle r={12} {...outline} />
          <text x={-5} y={4} textAnchor="middle" className="mark">
            +
          </text>
        </>
      );
  }
}

function InLineShape({ piece, at }: PieceShapeProps) {
  const xs = at.map(({ x }) => x);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const y = at[0]?.y ?? 0;
  const isTrimmer = piece.part.kind === 'trimmer';
  const outline = { fill: 'var(--card)', stroke: 'var(--ink)', strokeWidth: 1.4 };
  return (
    <>
      {isTrimmer ? (
        <>
          <rect x={left - 7} y={y - 9} width={right - left + 14} height={18} rx={2} {...outline} />
          <circle cx={(left + right) / 2} cy={y} r={5.5} {...outline} />
          <line x1={(left + right) / 2 - 4} x2={(left + right) / 2 + 4} y1={y} y2={y} stroke="var(--ink)" />
        </>
      ) : (
        <path
          d={`M ${left - 8} ${y + 6} H ${right + 8} V ${y - 2} Q ${(left + right) / 2} ${y - 15} ${left - 8} ${y - 2} Z`}
          {...outline}
        />
      )}
    </>
  );
}

/** Which leg is which, by its first letter, of what has its legs side by side. */
export function LegLetters({ piece, at }: PieceShapeProps) {
  if (piece.body.kind !== 'in-line') return null;
  return at.map(({ x, y }, index) => (
    <text key={index} x={x} y={y + 4} textAnchor="middle" className="mark">
      {letterOf(piece.leads[index]?.name ?? '')}
    </text>
  ));
}

const letterOf = (name: string) => (name === 'slider' ? 's' : name.charAt(0));

function DipShape({ piece, at }: PieceShapeProps) {
  const xs = at.map(({ x }) => x);
  const ys = at.map(({ y }) => y);
  const [left, right] = [Math.min(...xs) - 7, Math.max(...xs) + 7];
  const [top, bottom] = [Math.min(...ys) + 4, Math.max(...ys) - 4];
  const first = at[0] ?? { x: left, y: bottom };
  return (
    <>
      {at.map(({ x, y }, index) => (
        <rect key={index} x={x - 2.5} y={y - 4} width={5} height={8} fill="var(--ink-soft)" />
      ))}
      <rect
        x={left}
        y={top}
        width={right - left}
        height={bottom - top}
        rx={2}
        fill="var(--card)"
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      <path
        d={`M ${left} ${(top + bottom) / 2 - 5} A 5 5 0 0 1 ${left} ${(top + bottom) / 2 + 5}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      <circle cx={first.x} cy={bottom - 7} r={2.4} fill="var(--ink)" />
      <text x={(left + right) / 2} y={(top + bottom) / 2 + 4} textAnchor="middle" className="name">
        {piece.id}
      </text>
    </>
  );
}
