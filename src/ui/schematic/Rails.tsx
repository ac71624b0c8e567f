import type { Assembly } from '@/core/operate/assembly';
import { railText } from '../words/figures';
import { partIn } from '@/core/parts/find';
import { layout, type SchematicLayout } from './layout';
import { PartLabel } from './PartLabel';
import { Wire } from './symbols';
import { sharedWords } from '@/ui/words/panels/shared';

const { TOP, BOTTOM, DIVIDER, RAIL } = layout;

interface RailsProps {
  readonly assembly: Assembly;
  readonly place: SchematicLayout;
}

/** The rails with what stands on them; the load's own where it has one, and the lower one of a ± supply under the divider. */
export function Rails({ assembly, place }: RailsProps) {
  const [sensor, own] = assembly.rails;
  const negative = partIn(assembly.parts, 'supply', 'negative-supply');
  const { switchX, isHigh } = place;
  const last = lastX(place);
  const topEnd = isHigh ? switchX : last;
  const bottomEnd = isHigh ? last : switchX;
  const ownStart = switchX - 22;
  const sensorEnd = assembly.switching ? switchX - 90 : DIVIDER;
  const zeroStart = negative ? DIVIDER + 70 : RAIL;
  return (
    <>
      <Wire
        points={[
          [RAIL, TOP],
          [own ? sensorEnd : topEnd, TOP],
        ]}
      />
      <PartLabel
        x={RAIL - 6}
        y={TOP + 5}
        anchor="end"
        name={sensor?.designator ?? ''}
        value={railText(sensor?.volts ?? 0)}
      />
      {own && (
        <>
          <Wire
            points={[
              [ownStart, TOP],
              [topEnd, TOP],
            ]}
          />
          <PartLabel
            x={ownStart - 5}
            y={TOP + 5}
            anchor="end"
            name={own.designator}
            value={railText(own.volts)}
          />
          {!own.commonGround && (
            <text x={switchX - 12} y={BOTTOM - 8} textAnchor="end" className="value" fill="var(--brick)">
              {sharedWords.loads0V}
            </text>
          )}
        </>
      )}
      {negative && (
        <>
          <Wire
            points={[
              [RAIL, BOTTOM],
              [DIVIDER, BOTTOM],
            ]}
          />
          <PartLabel
            x={RAIL - 6}
            y={BOTTOM + 5}
            anchor="end"
            name={negative.designator}
            value={railText(negative.volts)}
          />
        </>
      )}
      <Wire
        points={[
          [zeroStart, BOTTOM],
          [bottomEnd, BOTTOM],
        ]}
      />
      <text x={zeroStart - 6} y={BOTTOM + 5} textAnchor="end" className="value" fill="var(--ink)">
        0 V
      </text>
    </>
  );
}

/** Where the last load stands. */
export const lastX = ({ columns, switchX }: SchematicLayout) => columns[columns.length - 1]?.x ?? switchX;
