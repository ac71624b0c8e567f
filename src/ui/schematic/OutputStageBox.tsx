import type { Assembly } from '@/core/operate/assembly';
import type { Role } from '@/core/parts/roles';
import { outputStageNames } from '../words/names';
import { layout, NODE, type SchematicLayout } from './layout';
import { stagePart } from './others/otherPlaces';
import { PartLabel } from './PartLabel';
import { stroke, Wire } from './symbols';

const OUT_Y = layout.MID - NODE;

const stageNames: Readonly<Partial<Record<Role, string>>> = {
  inverter: outputStageNames.inverted,
  'one-shot': outputStageNames['one-shot'],
  counted: 'to its end',
  toggle: outputStageNames.toggle,
};

interface OutputStageBoxProps {
  readonly assembly: Assembly;
  readonly place: SchematicLayout;
}

/** An output stage, as a box on the detector's output. */
export function OutputStageBox({ assembly, place }: OutputStageBoxProps) {
  const part = stagePart(assembly);
  if (!part) return null;
  const left = place.outX + 12;
  const right = place.drive.x - 14;
  const middle = (left + right) / 2;
  return (
    <>
      <Wire
        points={[
          [place.outX, OUT_Y],
          [place.drive.x, OUT_Y],
        ]}
      />
      <rect x={left} y={OUT_Y - 22} width={right - left} height={44} {...stroke} fill="var(--card)" />
      <PartLabel
        x={middle}
        y={OUT_Y - 4}
        anchor="middle"
        name={part.designator}
        value={stageNames[part.role] ?? ''}
      />
    </>
  );
}
