'use client';

import { Button } from 'antd';
import type { Step } from '@/core/advise/advice';
import type { Project } from '@/core/project/project';
import type { SpreadOptions } from '@/core/spread/factors';
import { payoffEdit, type Payoff } from '@/core/spread/payoffs';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { useApply, useProject } from '@/ui/workbench/context';
import { percent, ratio } from '@/ui/words/figures';
import { tryWords } from '@/ui/words/panels/try';
import { payoffNames } from '@/ui/words/trying';
import type { RunOptions, RunOutcome } from '@/workers/client';
import { payoffClient } from '@/workers/try/clients';
import styles from '../Try.module.css';
import { WorkStart } from '@/ui/common/WorkStart';

interface PayoffPanelProps {
  readonly options: SpreadOptions;
  readonly onGo: (step: Step) => void;
}

const payoffs = {
  run: async (
    { project, options }: { readonly project: Project; readonly options: SpreadOptions },
    run?: RunOptions,
  ): Promise<RunOutcome<readonly Payoff[]>> => {
    const outcome = await payoffClient.run({ ask: 'payoffs', project, options }, run);
    if (!outcome.ok) return outcome;
    return { ok: true, output: outcome.output.of === 'payoffs' ? outcome.output.payoffs : [] };
  },
};

/** What would make more of them do, each tried by a run of its own, the best first. */
export function PayoffPanel({ options, onGo }: PayoffPanelProps) {
  const project = useProject();
  const apply = useApply();
  // As many builds as above, and the same ones: what is said to be before is what stands there.
  const work = useWork(payoffs, { project, options }, JSON.stringify({ ...project, name: '', options }));
  const tried = work.result ?? [];
  const [worth, others] = [tried.filter(({ isWorth }) => isWorth), tried.filter(({ isWorth }) => !isWorth)];
  return (
    <Panel title={tryWords.payoffs}>
      <WorkStart work={work} name={tryWords.payoffSeek} isDone={work.result !== null} />
      {work.result !== null && worth.length === 0 && <p>{tryWords.noPayoff}</p>}
      <ul className={styles.bursts}>
        {worth.map((payoff) => {
          const edit = payoffEdit(payoff.kind);
          return (
            <li key={payoff.kind}>
              <span>
                {payoffNames[payoff.kind]}: {payoffText(payoff)}
              </span>
              {edit ? (
                <Button size="small" onClick={() => apply(edit)}>
                  {tryWords.take}
                </Button>
              ) : (
                <Button size="small" onClick={() => onGo('measure')}>
                  {tryWords.measure}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      {others.length > 0 && (
        <p className="soft">
          {tryWords.noBetter} {others.map(({ kind }) => payoffNames[kind]).join('; ')}.
        </p>
      )}
    </Panel>
  );
}

/** What it does to the share that is good, and to how far they lie apart. */
function payoffText({ good, goodBefore, lnStd, lnStdBefore }: Payoff): string {
  const times = lnStd / lnStdBefore;
  const apart =
    times > 0.97 && times < 1.03
      ? 'as far apart'
      : times < 1
        ? `${ratio(times)} as far apart`
        : `${ratio(times)} further apart`;
  const gain = good.share - goodBefore.share;
  if (Math.abs(gain) < 0.005) return `as many good (${percent(good.share, 1)}), ${apart}`;
  return `${percent(good.share, 1)} good in place of ${percent(goodBefore.share, 1)}, ${apart}`;
}
