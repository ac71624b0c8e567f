import type { Part, Assembly } from '@/core/stages/description';
import { partOhms } from '../words/figures';
import { PartLabel } from './PartLabel';
import { ResistorSymbol, type At } from './symbols';

export type ResistorPart = Extract<Part, { kind: 'resistor' }>;

export function resistorNamed({ parts }: Assembly, name: string): ResistorPart | undefined {
  return parts.find((part): part is ResistorPart => part.kind === 'resistor' && part.designator === name);
}

interface StandingProps extends At {
  readonly part: ResistorPart;
}

/** A resistor that stands, its name and value at its right. */
export function Upright({ part, x, y }: StandingProps) {
  return (
    <>
      <ResistorSymbol x={x} y={y} />
      <PartLabel
        x={x + 14}
        y={y - 3}
        anchor="start"
        reach={22}
        name={part.designator}
        value={partOhms(part.ohms)}
      />
    </>
  );
}

/** A resistor that lies, its name and value above it or below. */
export function Lying({ part, x, y, under = false }: StandingProps & { readonly under?: boolean }) {
  return (
    <>
      <ResistorSymbol x={x} y={y} lying />
      <PartLabel
        x={x}
        y={under ? y + 23 : y - 11}
        anchor="middle"
        flat
        above={under ? 22 : 0}
        name={part.designator}
        value={partOhms(part.ohms)}
      />
    </>
  );
}
