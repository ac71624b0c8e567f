import { TWO_THIRDS } from '@/core/parts/kinds/timer';
import { partIn, partWith } from '@/core/parts/find';
import { ChipName, DetectorFrame, OUT_Y } from '../DetectorFrame';
import type { DrawingProps } from '../drawing';
import { layout } from '../layout';
import { resistorIn, Upright } from '../resistors';
import { Dot, stroke, Wire } from '../symbols';
import { sharedWords } from '@/ui/words/panels/shared';

const { TOP, BOTTOM, MID, DIVIDER } = layout;
const [LEFT, RIGHT, UPPER, LOWER] = [286, 386, 66, 158];

interface BlockProps extends DrawingProps {
  /** What stands in the box: its name, and what its input and output are called. */
  readonly title: string;
  readonly input: string;
  readonly output: string;
}

/** An integrated part as a box between midpoint and switch, on both rails. */
function BlockSchematic({ title, input, output, ...props }: BlockProps) {
  const { design, place } = props;
  const { assembly } = design;
  const { shift } = place;
  const [left, right] = [LEFT + shift, RIGHT + shift];
  const middle = (left + right) / 2;
  const control = resistorIn(assembly, 'control');
  const block = partWith(assembly.parts, 'detector');
  const toTop = control?.a === 'supply';
  const controlX = left + 22;
  return (
    <DetectorFrame {...props} outFrom={right}>
      <Wire
        points={[
          [DIVIDER, MID],
          [left - 40, MID],
          [left - 40, OUT_Y],
          [left, OUT_Y],
        ]}
      />
      <Wire
        points={[
          [middle + 20, TOP],
          [middle + 20, BOTTOM],
        ]}
      />
      <Dot x={middle + 20} y={TOP} />
      <Dot x={middle + 20} y={BOTTOM} />
      {control && (
        <>
          <Wire
            points={[
              [controlX, toTop ? TOP : BOTTOM],
              [controlX, MID],
            ]}
          />
          <Dot x={controlX} y={toTop ? TOP : BOTTOM} />
          <Upright part={control} x={controlX} y={toTop ? 42 : 222} />
        </>
      )}
      <rect x={left} y={UPPER} width={right - left} height={LOWER - UPPER} {...stroke} fill="var(--card)" />
      <ChipName x={middle} y={UPPER + 16} name={block?.designator ?? ''} />
      <text x={middle} y={LOWER - 10} textAnchor="middle" className="value" fill="var(--ink-soft)">
        {title}
      </text>
      <text x={left + 6} y={OUT_Y + 5} className="value" fill="var(--ink)">
        {input}
      </text>
      <text x={right - 6} y={OUT_Y + 5} textAnchor="end" className="value" fill="var(--ink)">
        {output}
      </text>
    </DetectorFrame>
  );
}

/** A timer IC with its two inputs joined: at which shares of its supply it goes over. */
export const TimerSchematic = (props: DrawingProps) => {
  const timer = partIn(props.design.assembly.parts, 'timer', 'detector');
  const isPulse = timer ? timer.discharge !== null : false;
  const share = timer?.controlShare ?? TWO_THIRDS;
  const of = (each: number) => `${Math.round(100 * each)}`;
  const [lower, upper] = share === TWO_THIRDS ? ['⅓', '⅔'] : [of(share / 2), of(share)];
  const shares = isPulse ? lower : `${lower} ${upper}`;
  return (
    <BlockSchematic
      {...props}
      title={isPulse ? 'one-shot' : 'timer'}
      input={share === TWO_THIRDS ? shares : `${shares} %`}
      output="out"
    />
  );
};

/** A microcontroller: an analogue input and a pin. */
export const ControllerSchematic = (props: DrawingProps) => (
  <BlockSchematic {...props} title={sharedWords.controller} input="ADC" output="pin" />
);
