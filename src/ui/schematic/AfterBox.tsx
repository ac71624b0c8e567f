import type { Assembly } from '@/core/stages/description';
import { outputStageNames } from '../words/deciding';
import { layout, NODE, type SchematicLayout } from './layout';
import { PartLabel } from './PartLabel';
import { stroke, Wire } from './symbols';

const OUT_Y = layout.MID - NODE;

interface OutputStageBoxProps {
  readonly assembly: Assembly;
  readonly place: SchematicLayout;
  readonly kind: keyof typeof outputStageNames;
}

/** What follows the decider, as a box on its output's wire. */
export function OutputStageBox({ assembly, place, kind }: OutputStageBoxProps) {
  if (!assembly.parts.some(({ designator }) => designator === 'IC9')) return null;
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
      <PartLabel x={middle} y={OUT_Y - 4} anchor="middle" name="IC9" value={outputStageNames[kind]} />
    </>
  );
}
