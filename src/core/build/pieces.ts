import { partIn, partsOfKind } from '../parts/find';
import { bodyOf, leadsOf, type Body, type Lead } from '../parts/footprint';
import type { Net } from '../parts/base';
import type { LedPart } from '../parts/kinds/led';
import type { ResistorPart } from '../parts/kinds/resistor';
import type { Part } from '../parts/part';
import type { LegOrder } from '../project/built/buildSettings';

/** One thing that is picked up and put in its place: mostly a part; of several LEDs under one name each by itself. */
export interface Piece {
  /** The part's designator, with a letter behind it where the part is more than one piece. */
  readonly id: string;
  readonly part: Part;
  readonly body: Body;
  /** In the order of its pins. */
  readonly leads: readonly Lead[];
  /** It gets so warm that it stands away from the LDR and from what else is warm. */
  readonly isWarm?: boolean;
  /** Parts that are soldered up together beside the board and count as this one: the rows of many LEDs with their resistors. */
  readonly together?: readonly Part[];
}

/** More LEDs of one load than this are wired up by themselves, beside the board. */
const MOST_LEDS = 6;

/** What of a design's place bears on its board. */
export interface PiecesIn {
  /** The LDR is on leads of its own, not on the board. */
  readonly isLdrBeside: boolean;
  /** The order of a transistor’s three legs, as places in the usual one. */
  readonly legs: LegOrder;
  /** Parts that get warm, by designator. */
  readonly warm: readonly string[];
}

/** All that has to be put in its place, every part once. */
export function piecesOf(
  parts: readonly Part[],
  { isLdrBeside = false, legs = '123', warm = [] }: Partial<PiecesIn> = {},
): readonly Piece[] {
  return eachPiece(parts).map((piece) => ({
    ...piece,
    ...(isLdrBeside && piece.part.kind === 'ldr' ? { body: { kind: 'beside' as const } } : {}),
    ...(isTransistor(piece.part) ? { leads: inOrder(piece.leads, legs) } : {}),
    ...(warm.includes(piece.part.designator) ? { isWarm: true } : {}),
  }));
}

export const isTransistor = ({ kind }: Part) => kind === 'bipolar' || kind === 'mosfet';

/** Legs in another order than the usual one. */
export const inOrder = (leads: readonly Lead[], legs: LegOrder): readonly Lead[] =>
  [...legs].flatMap((place) => leads[Number(place) - 1] ?? []);

function eachPiece(parts: readonly Part[]): readonly Piece[] {
  const rows = partsOfKind(parts, 'led').flatMap((led) => {
    const series = partIn(parts, 'resistor', 'series', led.index);
    return series && led.inSeries * led.strings > 1 ? [{ led, series }] : [];
  });
  return parts.flatMap((part): readonly Piece[] => {
    const row = rows.find(({ led, series }) => led === part || series === part);
    if (!row) return [pieceOf(part)];
    if (row.series === part) return [];
    const count = row.led.inSeries * row.led.strings;
    return count > MOST_LEDS ? [ledArray(row.led, row.series)] : ledPieces(row.led, row.series);
  });
}

function pieceOf(part: Part): Piece {
  return { id: part.designator, part, body: bodyOf(part), leads: leadsOf(part) };
}

const letter = (index: number, count: number) => (count === 1 ? '' : String.fromCharCode(97 + index));

/** Each LED of a load's rows, and the resistor of each row. */
function ledPieces(part: LedPart, series: ResistorPart): readonly Piece[] {
  const { inSeries, strings } = part;
  return Array.from({ length: strings }, (_, row): readonly Piece[] => {
    const net = (place: number): Net => {
      if (place === inSeries) return part.cathode;
      return place === 0 && row === 0 ? part.anode : `${part.designator}.${row + 1}.${place + 1}`;
    };
    const hot = series.a === part.anode ? series.b : series.a;
    return [
      {
        ...pieceOf(series),
        id: `${series.designator}${letter(row, strings)}`,
        leads: [
          { name: '1', net: hot },
          { name: '2', net: net(0) },
        ],
      },
      ...Array.from({ length: inSeries }, (__, place) => ({
        ...pieceOf(part),
        id: `${part.designator}${letter(row * inSeries + place, strings * inSeries)}`,
        leads: leadsOf(part).map(({ name }, pin) => ({ name, net: net(place + pin) })),
      })),
    ];
  }).flat();
}

/** Many LEDs with their resistors, soldered up by themselves: two leads lead to them. */
function ledArray(part: LedPart, series: ResistorPart): Piece {
  const hot = series.a === part.anode ? series.b : series.a;
  return {
    id: part.designator,
    part,
    body: { kind: 'beside' },
    leads: [
      { name: '+', net: hot },
      { name: '−', net: part.cathode },
    ],
    together: [series],
  };
}
