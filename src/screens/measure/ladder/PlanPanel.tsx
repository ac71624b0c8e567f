'use client';

import { Button, Input, InputNumber } from 'antd';
import { useId, useState } from 'react';
import { notation } from '@/core/quantity/notation';
import { FAR_DIAMETERS, parseDistance, planLadder } from '@/core/light/ladder';
import { changeMeasurement } from '@/core/project/readingEdits';
import type { ReadingLight } from '@/core/readings/reading';
import { Panel } from '@/ui/common/Panel';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import { distanceExample, firstRungMetres, metresText } from '@/ui/words/light';
import { distanceRefusal } from '@/ui/words/measure/readings';
import styles from './Ladder.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const takeDistance = (text: string) => {
  const parsed = parseDistance(text);
  return parsed.ok
    ? { ok: true as const, taken: parsed.metres }
    : { ok: false as const, sentence: distanceRefusal(parsed.reason) };
};

/** Plans the distances: where the nearest rung is, how many stops darker the last one, how large the lamp. */
export function PlanPanel() {
  const apply = useApply();
  const { lampMetres, plan } = useProject();
  const nearest = useTypedText(metresText(firstRungMetres()), takeDistance);
  const lamp = useTypedText(metresText(lampMetres), takeDistance);
  const [stops, setStops] = useState(8);
  const near = parseDistance(nearest.text);
  const size = parseDistance(lamp.text);
  const planned =
    near.ok && size.ok ? planLadder(near.metres, stops, size.metres, notation().distance) : null;
  const far = planned?.metres[planned.metres.length - 1] ?? 0;

  const start = () => {
    const [metres, lampSize] = [nearest.read(), lamp.read()];
    if (metres === null || lampSize === null) return;
    const rungs = planLadder(metres, stops, lampSize, notation().distance).metres.map(
      (distance): ReadingLight => ({
        kind: 'lamp',
        metres: distance,
        layers: 0,
      }),
    );
    apply(changeMeasurement({ lampMetres: lampSize, plan: [{ kind: 'lamp-off' }, ...rungs] }));
  };
  return (
    <Panel title={measureWords.planTheDistances}>
      <div className={styles.plan}>
        <DistanceField label={measureWords.nearestRung} field={nearest} onEnter={start} />
        <DistanceField label={measureWords.lampsLargestSize} field={lamp} onEnter={start} />
        <label className={styles.stops}>
          Stops
          <InputNumber
            min={1}
            max={14}
            precision={0}
            value={stops}
            onChange={(value) => setStops(Math.min(14, Math.max(1, value ?? 8)))}
          />
        </label>
      </div>
      <p className="soft">
        {planned
          ? `${planned.metres.length} rungs from ${metresText(planned.metres[0] ?? 0)} to ${metresText(far)}: each √2 farther is half the light, so the last has a ${2 ** stops}th.`
          : 'A small bare lamp in a dark room: light falls with the square of the distance.'}
      </p>
      <p className="soft">
        Layers of paper or film between lamp and LDR stretch it further: by hand, type a light such as{' '}
        <b className="figures">{distanceExample()} x2</b>.
      </p>
      {planned?.tooNear && size.ok && (
        <p role="alert" className={styles.warning}>
          Nearer than {FAR_DIAMETERS} lamp sizes ({metresText(FAR_DIAMETERS * size.metres)}) the light is less
          than the square law says. Start farther away, or take a smaller lamp.
        </p>
      )}
      <span>
        <Button type={plan.length === 0 ? 'primary' : 'default'} onClick={start}>
          {plan.length === 0 ? 'Start the ladder' : 'Start anew'}
        </Button>
      </span>
    </Panel>
  );
}

interface DistanceFieldProps {
  readonly label: string;
  readonly field: ReturnType<typeof useTypedText<number>>;
  readonly onEnter: () => void;
}

function DistanceField({ label, field, onEnter }: DistanceFieldProps) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id}>{label}</label>
      <Input
        id={id}
        className="figures"
        value={field.text}
        status={field.error ? 'error' : ''}
        aria-invalid={field.error !== null}
        autoComplete="off"
        onChange={(event) => field.type(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') onEnter();
          if (event.key === 'Escape') field.reset();
        }}
      />
      {field.error && (
        <p role="alert" className={styles.error}>
          {field.error}
        </p>
      )}
    </div>
  );
}
