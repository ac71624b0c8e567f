'use client';

import { fixed, precise, shortest } from '@/core/quantity/notation';
import { TYPICAL_GAMMA_SPREAD, TYPICAL_R10_FACTOR } from '@/core/ldr/typical';
import { Table } from 'antd';
import type { Design } from '@/core/design';
import { ldrOhmsAt } from '@/core/ldr/curve';
import type { LdrFit } from '@/core/ldr/fitLdr';
import { isFloorSeen } from '@/core/ldr/fitBand';
import { measuredLdr } from '@/core/readings/ldrOf';
import { fitErrors, lightByOtherCurve, lightFactorBand, luxBand } from '@/core/ldr/model';
import { HowFound } from '@/ui/common/HowFound';
import { Fact, Panel } from '@/ui/common/Panel';
import { estimatedLightRatio } from '@/core/readings/named';
import { repeatScatter } from '@/core/readings/repeats';
import { readingLightText } from '@/ui/words/light';
import { useLightText, useProject } from '@/ui/workbench/context';
import { ohms, percent } from '@/ui/words/figures';
import { explainCurve } from '@/ui/words/howFound';
import { curveMeanings, curveNames, lampNames } from '@/ui/words/measure/measuring';
import { measureWords } from '@/ui/words/panels/measure';

const titles: Readonly<Record<Design['ldr']['source'], string>> = {
  measured: 'Your LDR’s curve',
  bag: 'The middle of the bag stands in',
  typical: 'A typical LDR stands in',
  named: 'Readings by name',
};

/** What is known of the LDR: R10, slope, floors, how sure, and what the other kinds of curve would say. */
export function CurvePanel({ design }: { readonly design: Design }) {
  const { ldr } = design;
  return (
    <Panel title={titles[ldr.source]} aside={<HowFound explanation={explainCurve(design)} />}>
      {ldr.source === 'measured' && <FitFacts design={design} fit={ldr.fit} />}
      {ldr.source === 'bag' && (
        <>
          <Fact
            name="R10, at 10 lx"
            value={ohms(ldr.curve.r10Ohms)}
            note={`within a factor of ${fixed(Math.exp(ldr.bag.lnR10Std), 2)}`}
          />
          <Fact
            name="γ, the slope"
            value={fixed(ldr.curve.gamma, 2)}
            note={`± ${fixed(ldr.bag.gammaStd, 3)}`}
          />
        </>
      )}
      {ldr.source === 'typical' && (
        <>
          <Fact
            name="R10, at 10 lx"
            value={ohms(ldr.curve.r10Ohms)}
            note={`within a factor of ${shortest(TYPICAL_R10_FACTOR, 2)}`}
          />
          <Fact
            name="γ, the slope"
            value={fixed(ldr.curve.gamma, 2)}
            note={`± ${shortest(TYPICAL_GAMMA_SPREAD, 2)}`}
          />
        </>
      )}
      {ldr.source === 'named' && <NamedFacts />}
    </Panel>
  );
}

/** Without light figures: how much brighter each named light is than the one before, as an estimate. */
function NamedFacts() {
  const { readings, levels } = useProject();
  const known = readings
    .filter(({ above, setAside }) => !above && !setAside)
    .sort((one, other) => other.ohms - one.ohms);
  return (
    <>
      {known.slice(1, 7).map((reading, index) => {
        const darker = known[index];
        if (!darker || darker.ohms === reading.ohms) return null;
        const { ratio, low, high } = estimatedLightRatio(darker.ohms, reading.ohms);
        return (
          <Fact
            key={reading.id}
            name={`${readingLightText(reading.light, levels)} over ${readingLightText(darker.light, levels)}`}
            value={`≈ ×${precise(ratio, 2)}`}
            note={`×${precise(low, 2)} to ×${precise(high, 2)}`}
          />
        );
      })}
      <p className="soft">{measureWords.noLightFigures}</p>
    </>
  );
}

function FitFacts({ design, fit }: { readonly design: Design; readonly fit: LdrFit }) {
  const { curve } = design.ldr;
  const { goal, lightTolerance } = useProject();
  const { residualStd, count, aboveCount, kind } = fit;
  const errors = fitErrors(fit);
  const factor = lightFactorBand(design.ldr);
  const goalBand = luxBand(design.ldr, goal.lux, 'meter');
  const inLux = design.resolved.scale === 'lux';
  const reference = inLux ? curve.r10Ohms : ldrOhmsAt(curve, 1);
  return (
    <>
      <Fact
        name={inLux ? 'R10, at 10 lx' : 'At 1 m from the lamp'}
        value={ohms(reference)}
        note={inLux ? `± ${percentOf(errors.lnR10)} scatter` : undefined}
      />
      <Fact
        name="γ, the slope"
        value={fixed(curve.gamma, 3)}
        note={`± ${fixed(errors.gamma, errors.gamma < 0.1 ? 3 : 2)}`}
      />
      <Fact
        name={measureWords.goalsLight}
        value={`± ${percentOf(Math.log(goalBand.high / goal.lux))}`}
        note={inLux ? measureWords.asYourLightMeterShows : measureWords.byScatter}
      />
      {factor > 0 && (
        <Fact
          name={measureWords.lightMeter}
          value={`± ${percent(lightTolerance)}`}
          note={measureWords.movesAllLights}
        />
      )}
      {curve.darkOhms !== null && (
        <Fact
          name="Dark floor"
          value={`${isFloorSeen(fit, 'dark') ? '' : '≈ '}${ohms(curve.darkOhms)}`}
          note={isFloorSeen(fit, 'dark') ? 'in complete dark' : measureWords.floorNotSeen}
        />
      )}
      {curve.brightOhms > 0 && (
        <Fact
          name="Bright floor"
          value={`${isFloorSeen(fit, 'bright') ? '' : '≈ '}${ohms(curve.brightOhms)}`}
          note={isFloorSeen(fit, 'bright') ? 'left in the brightest light' : measureWords.floorNotSeen}
        />
      )}
      <Fact
        name="Curve"
        value={curveNames[kind]}
        note={aboveCount > 0 ? `${aboveCount} over range` : undefined}
      />
      <Fact
        name="Scatter"
        value={residualStd === null ? '–' : percent(residualStd, 1)}
        note={residualStd === null ? 'needs a third reading' : `of ${count} readings; ± is the 95 % range`}
      />
      <Repeats />
      <LampFactors />
      {fit.alternatives.length > 1 && <Alternatives design={design} fit={fit} />}
    </>
  );
}

/** A factor known to this share of what is known without readings is told by them. */
const TOLD_SHARE = 0.6;

/** Half of a range of a logarithm, as one says it: a few per cent, or a factor where it is no few. */
const percentOf = (ln: number) =>
  ln < 0.4 ? percent(Math.expm1(ln), ln < 0.1 ? 1 : 0) : `factor ${precise(Math.exp(ln), 2)}`;

/** How much brighter each other kind of lamp is for the LDR than for the light meter, where the readings tell. */
function LampFactors() {
  const { common } = measuredLdr(useProject());
  return common.map((found) => {
    if (found.kind !== 'lamp-kind') return null;
    const isTold = found.foundStd < TOLD_SHARE * found.std;
    return (
      <Fact
        key={found.lamp}
        name={`Under ${lampNames[found.lamp]}`}
        value={
          isTold
            ? `×${fixed(Math.exp(found.value), 2)} ± ${percentOf(2 * found.foundStd)}`
            : '±\u00a030\u00a0%'
        }
        note={isTold ? measureWords.lampFactor : measureWords.lampFactorUnknown}
      />
    );
  });
}

/** How readings taken again at the same light scatter: what a hand and this meter can do, whatever the curve. */
function Repeats() {
  const project = useProject();
  const repeated = repeatScatter(project);
  if (repeated === null) return null;
  const lights = repeated.lights === 1 ? 'one light' : `${repeated.lights} lights`;
  return (
    <Fact name="Repeats scatter" value={percent(repeated.scatter, 1)} note={`read again at ${lights}`} />
  );
}

/** Each kind of curve that was tried: how much worse it tells the readings, and where the goal's resistance would lie. */
function Alternatives({ design, fit }: { readonly design: Design; readonly fit: LdrFit }) {
  const light = useLightText();
  const { goal } = useProject();
  const rows = fit.alternatives.map(({ kind, curve, weight }) => ({
    kind,
    weight,
    lux: lightByOtherCurve(design.ldr, curve, goal.lux),
  }));
  return (
    <Table
      size="small"
      pagination={false}
      rowKey="kind"
      dataSource={rows}
      columns={[
        {
          title: measureWords.kindOfCurve,
          render: (_, row) => <span title={curveMeanings[row.kind]}>{curveNames[row.kind]}</span>,
        },
        {
          title: <span title={measureWords.beliefMeaning}>{measureWords.belief}</span>,
          align: 'right',
          render: (_, row) => (
            <span className="figures">{row.weight < 0.01 ? '< 1 %' : percent(row.weight)}</span>
          ),
        },
        {
          title: `Goal of ${light(goal.lux)} would be`,
          align: 'right',
          render: (_, row) => (
            <span className="figures">{row.lux === null ? 'nowhere' : light(row.lux)}</span>
          ),
        },
      ]}
    />
  );
}
