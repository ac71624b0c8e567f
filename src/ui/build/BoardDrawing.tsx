'use client';

import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { lowerRows, railRows, upperRows, type HoleId } from '@/core/board/board';
import type { Layout, Wire } from '@/core/board/layout';
import type { Move } from '@/core/build/move';
import type { Piece } from '@/core/build/pieces';
import type { BuildSettings } from '@/core/project/built/buildSettings';
import { pieceText } from '../words/building';
import { boardSize, columnX, holeAt, holeParts, nearestRow, PITCH, rowY, type At } from './boardPlaces';
import styles from './BoardDrawing.module.css';
import { Besides, BoardItself, WireLine } from './BoardItself';
import { leadKey, leadsOut, namesOn } from './boardNames';
import { LegLetters, PieceShape } from './PieceShape';

interface BoardDrawingProps {
  readonly layout: Layout;
  readonly pieces: readonly Piece[];
  readonly netOf: (wire: Wire) => string;
  readonly wires: BuildSettings['wires'];
  readonly label: string;
  /** Holes that something is said of: ringed. */
  readonly ringed?: readonly HoleId[];
  /** What a step is about: drawn strongly, and what is not there yet faintly. */
  readonly isFaint?: (what: { readonly piece?: string; readonly wire?: Wire }) => boolean;
  /** Moves a piece, or one of its legs; without it nothing can be moved. */
  readonly onMove?: (piece: string, move: Move, leg: number | null) => void;
  readonly onTurn?: (piece: string) => void;
  /** Seen from below: left and right change places. */
  readonly isMirrored?: boolean;
}

interface Drag {
  readonly piece: string;
  readonly leg: number | null;
  readonly from: Move;
  readonly move: Move;
}

/** A breadboard in plan, what is on it, and what is joined inside it. */
export function BoardDrawing(props: BoardDrawingProps) {
  const { layout, pieces, label, ringed = [], onMove, isMirrored = false } = props;
  const { width, height } = boardSize(layout.board);
  const [drag, setDrag] = useState<Drag | null>(null);
  const own = useRef<SVGSVGElement>(null);
  const names = useMemo(() => namesOn(layout, pieces), [layout, pieces]);
  const outs = useMemo(() => leadsOut(layout, pieces), [layout, pieces]);
  const placeOf = (event: PointerEvent): Move => {
    const svg = own.current;
    if (!svg) return { columns: 0, rows: 0 };
    const { left, top, width: shown } = svg.getBoundingClientRect();
    const scale = width / shown;
    return {
      columns: Math.round(((event.clientX - left) * scale - columnX(1)) / PITCH),
      rows: nearestRow((event.clientY - top) * scale),
    };
  };
  const follow = (event: PointerEvent) => {
    if (!drag) return;
    const at = placeOf(event);
    setDrag({ ...drag, move: { columns: at.columns - drag.from.columns, rows: at.rows - drag.from.rows } });
  };
  const drop = () => {
    if (drag && onMove && (drag.move.columns !== 0 || drag.move.rows !== 0))
      onMove(drag.piece, drag.move, drag.leg);
    setDrag(null);
  };
  const start = (piece: string, leg: number | null) => (event: PointerEvent) => {
    event.preventDefault();
    event.stopPropagation();
    own.current?.setPointerCapture(event.pointerId);
    setDrag({ piece, leg, from: placeOf(event), move: { columns: 0, rows: 0 } });
  };
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={label}>
      <svg
        ref={own}
        viewBox={`0 0 ${width} ${height}`}
        style={{ minWidth: Math.min(width, 420), maxWidth: width * 1.5 }}
        className={isMirrored ? `${styles.board} ${styles.mirrored}` : styles.board}
        role="group"
        aria-label={label}
        onPointerMove={drag ? follow : undefined}
        onPointerUp={drag ? drop : undefined}
        onPointerCancel={() => setDrag(null)}
      >
        <g transform={isMirrored ? `translate(${width} 0) scale(-1 1)` : undefined}>
          <BoardItself layout={layout} />
          {layout.wires.map((wire) => (
            <WireLine key={`${wire.from}-${wire.to}`} wire={wire} {...props} />
          ))}
          {layout.placed.map(({ piece: id, holes }) => {
            const piece = pieces.find((each) => each.id === id);
            if (!piece) return null;
            return (
              <PlacedPiece
                key={id}
                piece={piece}
                holes={holes}
                drag={drag?.piece === id ? drag : null}
                outs={outs}
                start={onMove ? start : null}
                {...props}
              />
            );
          })}
          {layout.placed.map(({ piece: id, holes }) => (
            <PieceName key={id} id={id} holes={holes} drag={drag} name={names.get(id)} {...props} />
          ))}
          {[...new Set(ringed)].map((hole) => (
            <circle
              key={hole}
              cx={holeAt(hole).x}
              cy={holeAt(hole).y}
              r={7.5}
              fill="none"
              stroke="var(--brick)"
              strokeWidth={2.2}
            />
          ))}
        </g>
      </svg>
    </div>
  );
}

interface PlacedPieceProps extends BoardDrawingProps {
  readonly piece: Piece;
  /** Where leads come out at the edge. */
  readonly outs: ReadonlyMap<string, number>;
  readonly holes: readonly (HoleId | null)[];
  readonly drag: Drag | null;
  readonly start: ((piece: string, leg: number | null) => (event: PointerEvent) => void) | null;
}

function PlacedPiece({ piece, holes, outs, drag, start, onMove, onTurn, isFaint }: PlacedPieceProps) {
  const at = holes.flatMap((hole, index) => {
    if (hole === null) return [];
    const place = holeAt(hole);
    if (!drag || (drag.leg !== null && drag.leg !== index)) return [{ ...place, hole, index }];
    const { row } = holeParts(hole);
    const y = rowY(rowBelow(row, drag.move.rows));
    return [{ x: place.x + drag.move.columns * PITCH, y, hole, index }];
  });
  if (at.length === 0) return null;
  const opacity = isFaint?.({ piece: piece.id }) ? 0.18 : 1;
  if (piece.body.kind === 'beside')
    return (
      <g opacity={opacity}>
        {at.map(({ x, y, index }) => (
          <Besides
            key={index}
            at={{ x, y }}
            out={drag ? x : (outs.get(leadKey(piece.id, index)) ?? x)}
            name={`${piece.id} ${shortPin(piece.leads[index]?.name ?? '')}`}
          />
        ))}
      </g>
    );
  const onKeyDown = (event: KeyboardEvent) => {
    const move = arrows[event.key];
    if (move && onMove) onMove(piece.id, move, null);
    else if (event.key.toLowerCase() === 'r' && onTurn && piece.body.kind !== 'dip') onTurn(piece.id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const text = `${pieceText(piece)}: ${holes.filter((hole) => hole !== null).join(', ')}`;
  const isMovable = start !== null;
  return (
    <g
      opacity={opacity}
      className={isMovable ? styles.movable : undefined}
      role={isMovable ? 'button' : 'img'}
      tabIndex={isMovable ? 0 : undefined}
      aria-label={text}
      data-piece={piece.id}
      onKeyDown={isMovable ? onKeyDown : undefined}
      onPointerDown={start?.(piece.id, null)}
    >
      {isMovable && <Grip at={at} />}
      <PieceShape piece={piece} at={at} />
      {start !== null &&
        piece.body.kind === 'two-legs' &&
        at.map(({ x, y, index }) => (
          <circle
            key={index}
            cx={x}
            cy={y}
            r={6}
            fill="transparent"
            className={styles.leg}
            data-leg={index}
            onPointerDown={start(piece.id, index)}
          />
        ))}
    </g>
  );
}

interface PieceNameProps extends BoardDrawingProps {
  readonly id: string;
  readonly holes: readonly (HoleId | null)[];
  readonly drag: Drag | null;
  readonly name: At | undefined;
}

/** A piece's name and the letters of its legs, over whatever lies beside it; not while it is dragged. */
function PieceName({ id, holes, drag, name, pieces, isFaint }: PieceNameProps) {
  const piece = pieces.find((each) => each.id === id);
  if (!piece || piece.body.kind === 'beside' || drag?.piece === id) return null;
  const at = holes.flatMap((hole) => (hole === null ? [] : [holeAt(hole)]));
  return (
    <g opacity={isFaint?.({ piece: id }) ? 0.18 : 1} aria-hidden>
      <LegLetters piece={piece} at={at} />
      {name && (
        <text x={name.x} y={name.y} textAnchor="middle" className={styles.name}>
          {id}
        </text>
      )}
    </g>
  );
}

/** Something to take hold of, wider than what is drawn. */
function Grip({ at }: { readonly at: readonly At[] }) {
  const [first, last] = [at[0], at.at(-1)];
  if (!first || !last) return null;
  return (
    <line
      x1={first.x}
      y1={first.y}
      x2={last.x}
      y2={last.y}
      stroke="transparent"
      strokeWidth={18}
      pointerEvents="stroke"
    />
  );
}

const arrows: Readonly<Record<string, Move>> = {
  ArrowLeft: { columns: -1, rows: 0 },
  ArrowRight: { columns: 1, rows: 0 },
  ArrowUp: { columns: 0, rows: -1 },
  ArrowDown: { columns: 0, rows: 1 },
};

const order = [...railRows.slice(0, 2), ...upperRows, ...lowerRows, ...railRows.slice(2)] as const;
function rowBelow(row: (typeof order)[number], by: number) {
  return order[Math.min(order.length - 1, Math.max(0, order.indexOf(row) + by))] ?? row;
}

const shortPin = (name: string) => name.split(',')[0] ?? name;
