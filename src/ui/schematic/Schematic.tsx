'use client';

import { Choice } from '@/ui/fields/Choice';
import { Button } from 'antd';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import type { Design } from '@/core/design';
import { troubledParts } from '@/core/advise/trouble';
import { download } from '../common/download';
import { changeSettings, useSetting } from '../settings/settings';
import { useColors } from '../theme/look';
import { useLightText, useProbe, useProject } from '../workbench/context';
import { amps, ohms, volts } from '../words/figures';
import { DrawingContext, type SymbolStyle } from './context';
import { detectorDrawing } from './detectors/registry';
import { EditBox } from './EditBox';
import { editablesOf } from './editable';
import { pngOf, svgText } from './exportDrawing';
import { layoutOf } from './layout';
import styles from './Schematic.module.css';
import { OtherParts } from './others/OtherParts';
import { sharedWords } from '@/ui/words/panels/shared';

const styleChoices: { value: SymbolStyle; label: string }[] = [
  { value: 'iec', label: sharedWords.iEC },
  { value: 'ansi', label: sharedWords.aNSI },
];

/** The circuit as drawn from its own parts, with what meters would show at the probe; values are changed where they stand. */
export function Schematic({
  design,
  lit = [],
}: {
  readonly design: Design;
  readonly lit?: readonly string[];
}) {
  const project = useProject();
  const probe = useProbe();
  const light = useLightText();
  const style = useSetting('symbols');
  const drawing = useRef<SVGSVGElement>(null);
  const [editing, setEditing] = useState<{ name: string; x: number; y: number } | null>(null);
  const { Drawing, places } = detectorDrawing(project.detector);
  const place = useMemo(() => layoutOf(design.assembly, places), [design, places]);
  const editables = useMemo(() => editablesOf(project, design), [project, design]);
  const troubled = useMemo(() => troubledParts(design), [design]);
  const onEdit = useCallback((name: string, x: number, y: number) => setEditing({ name, x, y }), []);
  // As texts, so that the drawing's parts are not all drawn anew when only a value changes.
  const [names, faults, marked] = [[...editables.keys()].join('|'), troubled.join('|'), lit.join('|')];
  const context = useMemo(
    () => ({
      style,
      troubled: new Set(faults.split('|')),
      lit: new Set(marked.split('|')),
      editable: new Set(names.split('|')),
      onEdit,
    }),
    [style, faults, marked, names, onEdit],
  );
  if (!probe) return null;
  const points = Object.entries(probe.testPointVolts).map(([id, value]) => `${id} ${volts(value)}`);
  const summary = `Schematic at ${light(probe.lux)}: LDR ${ohms(probe.ldrOhms)}; ${points.join(', ')}; load ${amps(probe.loadAmps)}.`;
  const present = editing && editables.get(editing.name);
  return (
    <figure data-tour="schematic" className={styles.figure}>
      <div className={styles.sheet}>
        <div className={styles.page} style={{ minWidth: place.width > 420 ? place.width * 0.78 : undefined }}>
          <svg
            ref={drawing}
            viewBox={`0 0 ${place.width} ${place.height}`}
            role="group"
            aria-label={summary}
            className={styles.drawing}
            style={place.height > 300 ? { maxHeight: place.height * 1.15 } : undefined}
          >
            <DrawingContext value={context}>
              <Drawing design={design} probe={probe} place={place} />
              <OtherParts places={place.others} />
            </DrawingContext>
          </svg>
          {present && (
            <EditBox
              key={editing.name}
              editable={present}
              left={(editing.x / place.width) * 100}
              top={(editing.y / place.height) * 100}
              onClose={() => setEditing(null)}
            />
          )}
        </div>
      </div>
      <figcaption className={styles.caption}>
        <span>
          Meters show, at <b className="figures">{light(probe.lux)}</b>
        </span>
        <Tools style={style} drawing={drawing} name={project.name} />
      </figcaption>
    </figure>
  );
}

interface ToolsProps {
  readonly style: SymbolStyle;
  readonly drawing: React.RefObject<SVGSVGElement | null>;
  readonly name: string;
}

/** Which symbols, and the drawing as a file. */
const Tools = memo(function Tools({ style, drawing, name }: ToolsProps) {
  const colors = useColors();
  const stem = name.replaceAll(/[^A-Za-z0-9]+/g, '-').toLowerCase() || 'schematic';
  const asSvg = () => {
    if (drawing.current) download(`${stem}.svg`, svgText(drawing.current, colors), 'image/svg+xml');
  };
  const asPng = async () => {
    const blob = drawing.current && (await pngOf(drawing.current, colors));
    if (blob) download(`${stem}.png`, blob, 'image/png');
  };
  return (
    <span className={styles.tools}>
      <Choice
        aria-label={sharedWords.symbols}
        size="small"
        value={style}
        options={styleChoices}
        onChange={(next) => changeSettings({ symbols: next })}
      />
      <Button size="small" aria-label={sharedWords.saveTheSchematic} onClick={asSvg}>
        {sharedWords.sVG}
      </Button>
      <Button size="small" aria-label={sharedWords.saveTheSchematicAs} onClick={() => void asPng()}>
        {sharedWords.pNG}
      </Button>
    </span>
  );
});
