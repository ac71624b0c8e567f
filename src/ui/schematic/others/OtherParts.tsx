import type { Part } from '@/core/parts/part';
import { pinsOf } from '@/core/parts/registry';
import { netName, valueOfPart } from '../../words/nets';
import { boxWidth, isBox, linesOf, type OtherPlace } from './otherPlaces';
import { PartLabel } from '../PartLabel';
import { CapacitorSymbol, LyingDiode, ResistorSymbol, stroke, Wire } from '../symbols';

/** Parts that stand by themselves: what each pin is joined to is told by the name of its net. */
export function OtherParts({ places }: { readonly places: readonly OtherPlace[] }) {
  return places.map((place) =>
    isBox(place.part) ? (
      <BoxPart key={place.part.designator} {...place} />
    ) : (
      <TwoPin key={place.part.designator} {...place} />
    ),
  );
}

const NetText = ({ x, y, net, anchor }: { x: number; y: number; net: string; anchor: 'start' | 'end' }) => (
  <text x={x} y={y} textAnchor={anchor} className="value" fill="var(--ink-soft)">
    {netName(net)}
  </text>
);

/** A resistor or capacitor between the names of two nets. */
function TwoPin({ part, x, y, width }: OtherPlace) {
  const [one, other] = pinsOf(part).map(({ net }) => net ?? '');
  const middle = x + width / 2 - 4;
  const row = y + 32;
  return (
    <>
      <NetText x={middle - 34} y={row + 4} net={one ?? ''} anchor="end" />
      <Wire
        points={[
          [middle - 30, row],
          [middle + 30, row],
        ]}
      />
      <Symbol part={part} x={middle} y={row} />
      <NetText x={middle + 34} y={row + 4} net={other ?? ''} anchor="start" />
      <PartLabel
        x={middle}
        y={row - 18}
        anchor="middle"
        flat
        name={part.designator}
        value={valueOfPart(part)}
      />
    </>
  );
}

function Symbol({ part, x, y }: Pick<OtherPlace, 'part' | 'x' | 'y'>) {
  if (part.kind === 'capacitor') return <CapacitorSymbol x={x} y={y} lying />;
  if (part.kind === 'diode') return <LyingDiode x={x} y={y} />;
  return <ResistorSymbol x={x} y={y} lying />;
}

/** Any other part as a box with a line for each pin. */
function BoxPart({ part, x, y }: { readonly part: Part; readonly x: number; readonly y: number }) {
  const lines = linesOf(part);
  return (
    <>
      <rect
        x={x}
        y={y + 2}
        width={boxWidth(part)}
        height={24 + 15 * lines.length}
        {...stroke}
        fill="var(--card)"
      />
      <PartLabel x={x + 8} y={y + 17} anchor="start" flat name={part.designator} value={valueOfPart(part)} />
      {lines.map((line, index) => (
        <text key={line} x={x + 8} y={y + 32 + 15 * index} className="value" fill="var(--ink-soft)">
          {line}
        </text>
      ))}
    </>
  );
}
