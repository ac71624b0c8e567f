import { volts } from '../../words/figures';
import { DividerParts } from '../DividerParts';
import type { DrawingProps } from '../drawing';
import { layout } from '../layout';
import { TestPointTag } from '../PartLabel';
import { SwitchSide } from '../SwitchSide';
import { Dot } from '../symbols';

const { MID, DIVIDER } = layout;

/** A transistor alone: divider at the left, switch and loads at the right, figures as a meter would show them. */
export function TransistorSchematic(props: DrawingProps) {
  const { design, probe } = props;
  return (
    <>
      <DividerParts assembly={design.assembly} probe={probe} />
      <SwitchSide {...props} />
      <Dot x={DIVIDER} y={MID} />
      <TestPointTag x={DIVIDER - 10} y={MID} side="left" id="A" text={volts(probe.testPointVolts.A ?? 0)} />
    </>
  );
}
