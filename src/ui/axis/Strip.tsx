'use client';

import { cssVars } from '@/ui/common/cssVars';
import type { ChartData } from 'chart.js';
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Line } from 'react-chartjs-2';
import type { Chart } from 'chart.js';
import type { ProbeReading } from '@/core/analyse/probe';
import { fractionOfLux, type LightRange } from '@/core/light/range';
import { useColors } from '../theme/look';
import { useProbe, useView } from '../workbench/context';
import { fractionOn, STRIP_PADDING, stripOptions, type StripScale } from './chartSetup';
import { isThere } from './plainChart';
import styles from './Strip.module.css';

interface Point {
  x: number;
  y: number;
}

interface StripProps {
  readonly title: string;
  /** A line beside the title, such as what a dashed line is. */
  readonly note?: ReactNode;
  /** What the strip shows, for those who cannot see it. */
  readonly summary: string;
  /** The value at the probe, in large figures: a component that follows the probe by itself. */
  readonly reading: ReactNode;
  /** The value at the probe as a number, for the dot on the curve; none without a curve. Keep it the same function between renders. */
  readonly figureOf?: (probe: ProbeReading) => number;
  readonly height: number;
  readonly range: LightRange;
  readonly scale: StripScale;
  readonly data: ChartData<'line', Point[]>;
  readonly children?: ReactNode;
}

/**
 * One picture over the light axis: title and live reading above, curve below, a dot where the probe cuts it. Only the
 * reading and the dot are rendered again when the probe moves.
 */
export function Strip({
  title,
  note,
  summary,
  reading,
  figureOf,
  height,
  range,
  scale,
  data,
  children,
}: StripProps) {
  return (
    <section className={styles.strip} aria-label={title}>
      <header className={styles.head}>
        <h3>{title}</h3>
        {note !== undefined && <span className={styles.note}>{note}</span>}
        <span className={styles.reading}>{reading}</span>
      </header>
      {children}
      <div className={styles.drawing} style={{ height }}>
        <StripChart summary={summary} range={range} scale={scale} data={data} />
        <ScaleLabels scale={scale} height={height} />
        <ProbeMark range={range} scale={scale} height={height} figureOf={figureOf} />
      </div>
    </section>
  );
}

function dotTop(scale: StripScale, value: number, height: number): number {
  return STRIP_PADDING + (1 - fractionOn(scale, value)) * (height - 2 * STRIP_PADDING);
}

/** What the lines across the strip stand for. */
const ScaleLabels = memo(function ScaleLabels({ scale, height }: Pick<StripProps, 'scale' | 'height'>) {
  return scale.ticks.map((value) => (
    <span key={value} className={styles.tick} style={{ top: dotTop(scale, value, height) }} aria-hidden>
      {scale.label(value)}
    </span>
  ));
});

/** The probe's line through the strip, and a dot where it cuts the curve. */
function ProbeMark({
  range,
  scale,
  height,
  figureOf,
}: Pick<StripProps, 'range' | 'scale' | 'height' | 'figureOf'>) {
  const lux = useView((state) => state.probeLux);
  const probe = useProbe();
  const place = Math.min(1, Math.max(0, fractionOfLux(lux, range)));
  return (
    <div className={styles.markArea} style={cssVars({ '--at': place })}>
      <i className={styles.line} />
      {probe && figureOf && (
        <i className={styles.dot} style={{ top: dotTop(scale, figureOf(probe), height) }} />
      )}
    </div>
  );
}

type StripChartProps = Pick<StripProps, 'summary' | 'range' | 'scale' | 'data'>;

/** The canvas: drawn again only when the design changes, never when the probe moves. */
const StripChart = memo(function StripChart({ summary, range, scale, data }: StripChartProps) {
  const chart = useRef<Chart<'line', Point[]>>(null);
  const colors = useColors();
  const [gutter, setGutter] = useState(66);
  useGutter(chart, setGutter);
  const options = useMemo(
    () => stripOptions(range, scale, gutter, 14, colors),
    [range, scale, gutter, colors],
  );
  // The component is given its first data alone: later ones are put in by redraw, which costs a third.
  const [first] = useState(data);
  useLayoutEffect(() => {
    if (chart.current && data !== first) redraw(chart.current, data);
  }, [data, first]);
  return <Line ref={chart} data={first} options={options} role="img" aria-label={summary} />;
});

/** What a line of another meaning in the same place may leave behind. */
const STYLES = ['borderDash', 'borderWidth', 'backgroundColor', 'fill'] as const;

/** New data on the same scales: the lines anew, without laying the whole chart out again. */
function redraw(chart: Chart<'line', Point[]>, { datasets }: StripProps['data']) {
  // One that is not on the page yet is drawn with what it has when it comes there. Asked before its lines are others: of those
  // it has built nothing yet.
  const isDrawn = isThere(chart);
  if (datasets.length !== chart.data.datasets.length) {
    chart.data.datasets = datasets.map((dataset) => ({ ...dataset }));
    if (isDrawn) chart.update('none');
    return;
  }
  datasets.forEach((dataset, index) => {
    const present = chart.data.datasets[index] ?? dataset;
    for (const key of STYLES) delete present[key];
    Object.assign(present, dataset);
    if (!isDrawn) return;
    const { controller } = chart.getDatasetMeta(index);
    controller.buildOrUpdateElements(false);
    controller.update('none');
  });
  if (isDrawn) chart.draw();
}

/** Reads the gutter that the style sheet gives the axis. */
function useGutter(
  chart: React.RefObject<Chart<'line', Point[]> | null>,
  setGutter: (pixels: number) => void,
) {
  useEffect(() => {
    const read = () => {
      const canvas = chart.current?.canvas;
      const pixels = canvas && parseFloat(getComputedStyle(canvas).getPropertyValue('--gutter'));
      if (pixels) setGutter(pixels);
    };
    read();
    window.addEventListener('resize', read);
    return () => window.removeEventListener('resize', read);
  }, [chart, setGutter]);
}
