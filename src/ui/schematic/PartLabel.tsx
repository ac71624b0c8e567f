import { memo, type KeyboardEvent } from 'react';
import { useDrawing } from './context';
import type { At } from './symbols';

interface PartLabelProps extends At {
  readonly anchor: 'start' | 'end' | 'middle';
  readonly name: string;
  readonly value?: string;
  /** Which unit of its package is drawn here: A, B, C … */
  readonly unit?: string;
  /** On one line rather than two. */
  readonly flat?: boolean;
  /** How far left of the label, and above it, the part itself lies: it can be clicked too. */
  readonly reach?: number;
  readonly above?: number;
}

/** Designator and value beside a part; in brick with a mark where it is out of bounds; a button where it can be changed. */
export const PartLabel = memo(function PartLabel(props: PartLabelProps) {
  const { x, y, anchor, name, unit = '', value, flat = false, reach = 0, above = 0 } = props;
  const { troubled, lit, editable, onEdit } = useDrawing();
  const isTroubled = troubled.has(name);
  const isEditable = editable.has(name);
  const width =
    8 + 8 * Math.max(name.length, flat ? name.length + (value?.length ?? 0) + 1 : (value?.length ?? 0));
  const left = anchor === 'start' ? x - 3 : anchor === 'end' ? x - width + 3 : x - width / 2;
  const text = (
    <text x={x} y={y} data-part={name} textAnchor={anchor} fill={isTroubled ? 'var(--brick)' : 'var(--ink)'}>
      <tspan x={x} className="name">
        {`${isTroubled ? '⚠ ' : ''}${name}${unit}`}
      </tspan>{' '}
      {value !== undefined && (
        <tspan {...(flat ? { dx: 5 } : { x, dy: 15 })} className="value">
          {value}
        </tspan>
      )}
    </text>
  );
  const mark = lit.has(name) && (
    <rect
      x={left - 2}
      y={y - 15}
      width={width + 4}
      height={flat || value === undefined ? 21 : 37}
      rx={4}
      className="lit"
    />
  );
  if (!isEditable)
    return (
      <>
        {mark}
        {isTroubled ? <g aria-label={`${name} is out of bounds`}>{text}</g> : text}
      </>
    );
  const open = () => onEdit(name, left, y - 13);
  return (
    <g
      role="button"
      tabIndex={0}
      className="editable"
      aria-label={`Change ${name}${value === undefined ? '' : ` ${value}`}${isTroubled ? ', out of bounds' : ''}`}
      onClick={open}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        open();
      }}
    >
      {mark}
      <rect
        className="hit"
        x={left - reach}
        y={y - 13 - above}
        width={width + reach}
        height={(flat || value === undefined ? 18 : 33) + above}
        rx={3}
      />
      {text}
    </g>
  );
});

/** A test point's letter alone, where there is no room for its figure; `x`, `y` is its middle. */
export const TestPointLetter = memo(function TestPointLetter({ x, y, id }: At & { readonly id: string }) {
  return (
    <g>
      <rect x={x - 8} y={y - 8} width={16} height={16} rx={3.5} fill="var(--ink)" />
      <text x={x} y={y + 4.5} className="tag" fill="var(--card)" fontWeight={700} textAnchor="middle">
        {id}
      </text>
    </g>
  );
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
