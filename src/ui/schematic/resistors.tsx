import type { Assembly } from '@/core/operate/assembly';
import { partIn } from '@/core/parts/find';
import type { ResistorPart } from '@/core/parts/kinds/resistor';
import type { Role } from '@/core/parts/roles';
import { partOhms } from '../words/figures';
import { PartLabel } from './PartLabel';
import { ResistorSymbol, type At } from './symbols';

export const resistorIn = (
  { parts }: Pick<Assembly, 'parts'>,
  role: Role,
  index = 0,
): ResistorPart | undefined => partIn(parts, 'resistor', role, index);

interface ResistorProps extends At {
  readonly part: Pick<ResistorPart, 'designator' | 'ohms'>;
  readonly adjustable?: boolean;
}

/** A resistor that stands, its name and value at its right. */
export function Upright({ part, x, y, adjustable = false }: ResistorProps) {
  return (
    <>
      <ResistorSymbol x={x} y={y} adjustable={adjustable} />
      <PartLabel
        x={x + (adjustable ? 20 : 14)}
        y={y - 3}
        anchor="start"
        reach={adjustable ? 30 : 22}
        name={part.designator}
        value={partOhms(part.ohms)}
      />
    </>
  );
}

/** A resistor that lies, its name and value above it or below. */
export function Lying({
  part,
  x,
  y,
  under = false,
  adjustable = false,
}: ResistorProps & { readonly under?: boolean }) {
  return (
    <>
      <ResistorSymbol x={x} y={y} lying adjustable={adjustable} />
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
