import type { ReactNode } from 'react';
import { volts } from '../words/figures';
import { DividerParts } from './DividerParts';
import type { DrawingProps } from './drawing';
import { layout, NODE } from './layout';
import { PartLabel, TestPointTag } from './PartLabel';
import { SwitchSide } from './SwitchSide';
import { Dot, Wire, type At } from './symbols';

const { MID, DIVIDER } = layout;
/** The row on which a detector's output leads on to what it drives. */
export const OUT_Y = MID - NODE;

interface DetectorFrameProps extends DrawingProps {
  /** Where the detector's own drawing ends, on {@link OUT_Y}. */
  readonly outFrom: number;
  readonly children: ReactNode;
}

/** What every detector stands in: the divider before it, its output's wire, what it drives, and the probes at both. */
export function DetectorFrame({ outFrom, children, ...props }: DetectorFrameProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  return (
    <>
      <DividerParts assembly={assembly} probe={probe} />
      <SwitchSide {...props} />
      {children}
      <Wire
        points={[
          [outFrom, OUT_Y],
          [place.outX, OUT_Y],
        ]}
      />
      <Dot x={DIVIDER} y={MID} />
      <PointTag {...props} id="A" x={DIVIDER - 10} y={MID} />
      {assembly.driver && <PointTag {...props} id="D" x={place.drive.x + 6} y={OUT_Y - 16} side="right" />}
    </>
  );
}

interface PointTagProps extends Pick<DrawingProps, 'probe'> {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly side?: 'left' | 'right';
}

/** A test point with what a meter shows there. */
export function PointTag({ probe, id, x, y, side = 'left' }: PointTagProps) {
  return <TestPointTag x={x} y={y} side={side} id={id} text={volts(probe.testPointVolts[id] ?? 0)} />;
}

/** An IC's name, marked where it is out of bounds. */
export function ChipName(props: At & { readonly name: string; readonly unit?: string }) {
  return <PartLabel {...props} anchor="middle" />;
}

/** The letter of a unit, where its package has several. */
export const unitLetter = ({ unitCount }: { readonly unitCount: number }, index: number) =>
  unitCount > 1 ? String.fromCharCode(65 + index) : '';
