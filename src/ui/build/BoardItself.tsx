import { boardOf, lowerRows, railRows, upperRows } from '@/core/board/board';
import type { Layout, Wire } from '@/core/board/layout';
import type { BuildSettings } from '@/core/project/built/buildSettings';
import styles from './BoardDrawing.module.css';
import { goesUp } from './boardNames';
import { boardSize, columnX, holeAt, PITCH, rowY, type At } from './boardPlaces';
import { WIRE_PAINT, wireColorOf } from './wireColors';

/** The board itself: its holes, and what is joined inside it. */
export function BoardItself({ layout }: { readonly layout: Layout }) {
  const board = boardOf(layout.board);
  const { width } = boardSize(layout.board);
  const [top, bottom] = board.hasRails
    ? [rowY('t+') - 14, rowY('b-') + 14]
    : [rowY('a') - 26, rowY('j') + 26];
  const columns = Array.from({ length: board.columns }, (_, index) => index + 1);
  return (
    <g>
      <rect
        x={6}
        y={top}
        width={width - 12}
        height={bottom - top}
        rx={6}
        fill="var(--paper)"
        stroke="var(--line)"
      />
      {board.seam !== null && (
        <line
          x1={columnX(board.seam) + PITCH / 2}
          x2={columnX(board.seam) + PITCH / 2}
          y1={top}
          y2={bottom}
          stroke="var(--aside)"
          strokeDasharray="4 3"
        />
      )}
      {columns.map((column) =>
        [upperRows, lowerRows].map((side) => (
          <line
            key={`${side[0]}${column}`}
            x1={columnX(column)}
            x2={columnX(column)}
            y1={rowY(side[0])}
            y2={rowY(side[4])}
            stroke="var(--line)"
            strokeWidth={5}
            strokeLinecap="round"
          />
        )),
      )}
      {board.hasRails &&
        railRows.map((row) =>
          board.railSegments.map(({ from, to }) => (
            <g key={`${row}${from}`}>
              <line
                x1={columnX(from)}
                x2={columnX(to)}
                y1={rowY(row)}
                y2={rowY(row)}
                stroke="var(--line)"
                strokeWidth={5}
                strokeLinecap="round"
              />
              <text x={columnX(from) - 12} y={rowY(row) + 4} textAnchor="middle" className={styles.letter}>
                {row.endsWith('+') ? '+' : '−'}
              </text>
            </g>
          )),
        )}
      {[...board.holes].map(([hole, { x, row }]) => (
        <circle key={hole} cx={columnX(x)} cy={rowY(row)} r={1.9} fill="var(--tick)" />
      ))}
      {[...upperRows, ...lowerRows].map((row) => (
        <text key={row} x={columnX(1) - 15} y={rowY(row) + 4} textAnchor="middle" className={styles.letter}>
          {row}
        </text>
      ))}
      {columns
        .filter((column) => column === 1 || column % 5 === 0)
        .map((column) => (
          <text
            key={column}
            x={columnX(column)}
            y={(rowY('e') + rowY('f')) / 2 + 4}
            textAnchor="middle"
            className={styles.letter}
          >
            {column}
          </text>
        ))}
    </g>
  );
}

interface WireLineProps {
  readonly wire: Wire;
  readonly netOf: (wire: Wire) => string;
  readonly wires: BuildSettings['wires'];
  readonly isFaint?: ((what: { readonly wire: Wire }) => boolean) | undefined;
}

/** A jumper, in its colour. */
export function WireLine({ wire, netOf, wires, isFaint }: WireLineProps) {
  const [from, to] = [holeAt(wire.from), holeAt(wire.to)];
  const paint = WIRE_PAINT[wireColorOf(netOf(wire), wires)];
  // A little to the side, so that it does not lie over the holes of its own row.
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy) || 1;
  const bow = Math.min(9, length / 6);
  const middle = {
    x: (from.x + to.x) / 2 - (dy / length) * bow,
    y: (from.y + to.y) / 2 + (dx / length) * bow,
  };
  const path = `M ${from.x} ${from.y} Q ${middle.x} ${middle.y} ${to.x} ${to.y}`;
  return (
    <g opacity={isFaint?.({ wire }) ? 0.18 : 1}>
      <path d={path} fill="none" stroke="var(--ink)" strokeWidth={4.4} strokeLinecap="round" />
      <path d={path} fill="none" stroke={paint} strokeWidth={2.8} strokeLinecap="round" className="wire" />
      <title>{`${wire.from} – ${wire.to}`}</title>
    </g>
  );
}

interface BesidesProps {
  readonly at: At;
  /** Where it comes out at the edge. */
  readonly out: number;
  readonly name: string;
}

/** A lead to something beside the board: up or down over its nearer edge, with what it is. */
export function Besides({ at, out, name }: BesidesProps) {
  const { x, y } = at;
  const isUp = goesUp(at);
  const edge = isUp ? rowY('t+') - 18 : rowY('b-') + 18;
  return (
    <g>
      <line x1={x} y1={y} x2={out} y2={edge} stroke="var(--ink)" strokeWidth={1.6} strokeDasharray="5 3" />
      <circle cx={x} cy={y} r={3.2} fill="var(--ink)" />
      <g transform={`translate(${out + 4} ${edge + (isUp ? -2 : 10)}) rotate(${isUp ? -50 : 50})`}>
        <text className={styles.name}>{name}</text>
      </g>
    </g>
  );
}
