'use client';

import { fixed } from '@/core/quantity/notation';
import { fitErrors } from '@/core/ldr/model';
import { DeleteOutlined } from '@ant-design/icons';
import { App, Button, Checkbox, Popconfirm, Table } from 'antd';
import { changeMeasurement, takeLdr } from '@/core/project/readingEdits';
import { lightLdrOf } from '@/core/readings/lightLdrOf';
import { formatPercentOff } from '@/core/quantity/format';
import { openStorage } from '@/store/openStorage';
import { useApply, useProject } from '@/ui/workbench/context';
import { lux, ohms } from '@/ui/words/figures';
import { hearsChanges, whereText } from '@/ui/words/goal';
import { markNames } from '@/ui/words/measure/measuring';
import type { Compared } from './compared';
import styles from './Drawer.module.css';
import { lineStyle } from './lineStyle';
import { measureWords } from '@/ui/words/panels/measure';

interface LdrTableProps {
  readonly compared: readonly Compared[];
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (id: string, isChosen: boolean) => void;
}

/** The LDRs side by side, and what moves when one of them takes the place of the present one. */
export function LdrTable({ compared, chosen, onChoose }: LdrTableProps) {
  const apply = useApply();
  const project = useProject();
  const { message } = App.useApp();
  const now = compared[0]?.half ?? null;
  const rows = compared.map((entry, index) => ({ ...entry, index, key: entry.ldr?.id ?? 'own' }));
  const put = ({ ldr, half }: Compared) => {
    if (!ldr) return;
    apply(takeLdr(ldr.part, ldr.measurement));
    const [before, then] = [now, half].map((at) => whereText(project, at?.ok ? at.lux : null, lux));
    const moved = hearsChanges(project) ? '' : `: it switched at ${before}, now at ${then}`;
    void message.success(`“${ldr.part.name}” is in the project${moved}. Undo brings the other back.`, 5);
  };
  const asLightMeter = ({ part, model }: Compared) => {
    const lightLdr = lightLdrOf(part.name, model);
    if (!lightLdr) return;
    apply(changeMeasurement({ lightLdr }));
    void message.success(
      `“${part.name}” is the light meter now: type its resistance as “ldr 4k7” in the light field.`,
      5,
    );
  };
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={measureWords.measuredLDRs}>
      <Table
        size="small"
        rowKey="key"
        pagination={rows.length > 25 ? { pageSize: 25, size: 'small' } : false}
        dataSource={rows}
        columns={[
          {
            title: measureWords.lDR,
            render: (_, row) => (
              <span className={styles.name}>
                {row.ldr ? (
                  <Checkbox
                    aria-label={`Compare ${row.part.name}`}
                    checked={chosen.has(row.ldr.id)}
                    onChange={(event) => row.ldr && onChoose(row.ldr.id, event.target.checked)}
                  />
                ) : (
                  <span className={styles.own} />
                )}
                <LineSample index={row.index} />
                <span>
                  <b>{row.part.name}</b>
                  {row.ldr === null && <span className="soft"> {measureWords.inTheProject}</span>}
                  <span className={styles.about}>
                    {[
                      row.part.size,
                      row.part.mark === 'none' ? '' : `marked ${markNames[row.part.mark]}`,
                      row.part.bought,
                    ]
                      .filter(Boolean)
                      .join(' · ')}
                  </span>
                </span>
              </span>
            ),
          },
          {
            title: 'R10',
            align: 'right',
            render: (_, row) => <span className="figures">{r10Text(row)}</span>,
          },
          {
            title: 'γ',
            align: 'right',
            render: (_, row) => <span className="figures">{gammaText(row)}</span>,
          },
          {
            title: measureWords.wouldSwitchAt,
            align: 'right',
            render: (_, row) => (
              <span className="figures">
                {row.inLux ? whereText(project, row.half?.ok ? row.half.lux : null, lux) : '–'}
                {row.ldr &&
                  row.half?.ok &&
                  now?.ok &&
                  row.inLux &&
                  ` ${formatPercentOff(row.half.lux / now.lux - 1, 0)}`}
              </span>
            ),
          },
          {
            title: <span className="visually-hidden">{measureWords.do}</span>,
            align: 'right',
            render: (_, row) =>
              row.ldr && (
                <span className={styles.inTable}>
                  <Button
                    size="small"
                    aria-label={`Put in ${row.part.name}`}
                    title={measureWords.putItIn}
                    onClick={() => put(row)}
                  >
                    {measureWords.putIn}
                  </Button>
                  {row.inLux && (
                    <Button
                      size="small"
                      title={measureWords.asLightMeterTitle}
                      onClick={() => asLightMeter(row)}
                    >
                      {measureWords.asLightMeter}
                    </Button>
                  )}
                  <Popconfirm
                    title={measureWords.deleteItFor}
                    okText="Delete"
                    onConfirm={() =>
                      void openStorage().then((storage) => row.ldr && storage.ldrs.remove(row.ldr.id))
                    }
                  >
                    <Button
                      type="text"
                      size="small"
                      icon={<DeleteOutlined />}
                      aria-label={`Delete ${row.part.name}`}
                    />
                  </Popconfirm>
                </span>
              ),
          },
        ]}
      />
    </div>
  );
}

function r10Text({ model, inLux }: Compared): string {
  if (!inLux) return 'no lux';
  if (model.source !== 'measured') return '–';
  return `${ohms(model.curve.r10Ohms)} ± ${fixed(fitErrors(model.fit).lnR10 * 100, 1)} %`;
}

function gammaText({ model }: Compared): string {
  if (model.source !== 'measured') return '–';
  return `${fixed(model.curve.gamma, 3)} ± ${fixed(fitErrors(model.fit).gamma, 3)}`;
}

/** The line that an LDR has in the chart. */
function LineSample({ index }: { readonly index: number }) {
  const { variable, dash } = lineStyle(index);
  return (
    <svg width="26" height="10" aria-hidden className={styles.sample}>
      <line
        x1="1"
        x2="25"
        y1="5"
        y2="5"
        stroke={`var(${variable})`}
        strokeWidth="2.5"
        strokeDasharray={dash.join(' ')}
      />
    </svg>
  );
}
