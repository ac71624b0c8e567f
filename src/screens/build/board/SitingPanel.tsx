'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { changeSiting } from '@/core/project/built/buildEdits';
import { boxKinds, leadKinds, SITING_LIMITS } from '@/core/project/built/siting';
import { boardWatts, boxKelvin } from '@/core/siting/boxHeat';
import { humOf } from '@/core/siting/hum';
import { sitingNotes } from '@/core/siting/notes';
import { Fact, Panel } from '@/ui/common/Panel';
import { optionsFor } from '@/ui/fields/Choice';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { NumberField } from '@/ui/fields/NumberField';
import { OptionalDistance } from '@/ui/fields/OptionalDistance';
import { FeedbackLightField, WarmestField } from '@/ui/fields/PlaceFields';
import { SwitchField } from '@/ui/fields/SwitchField';
import { useApply, useLightText, useProject, useScale } from '@/ui/workbench/context';
import { kelvin, watts } from '@/ui/words/figures';
import { buildWords } from '@/ui/words/panels/build';
import {
  boxNames,
  apartText,
  leadNames,
  leadRefusal,
  SHIELD,
  sitingEditText,
  sitingNoteText,
} from '@/ui/words/siting';
import styles from '../Build.module.css';

/** What the place makes of the design: leads, window, own lamp, box, warmth and reach. */
export function SitingPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const apply = useApply();
  const light = useLightText();
  // On an axis of resistances nothing is known of the light in front of a window.
  const scale = useScale();
  const { siting } = project.build;
  const notes = useMemo(() => sitingNotes(project, design), [project, design]);
  const hum = useMemo(() => humOf(project, design), [project, design]);
  const heat = boxKelvin(design, siting.box);
  return (
    <Panel title={buildWords.siting}>
      <SitingFields />
      {siting.clearShare < 1 && scale !== 'ohms' && (
        <Fact name={buildWords.inFront} value={light(project.goal.lux / siting.clearShare)} />
      )}
      {hum && (
        <Fact
          name={buildWords.hum}
          value={apartText(hum.ratio)}
          note={hum.bandRatio > 1 ? `${buildWords.humBand} ${apartText(hum.bandRatio)}` : undefined}
        />
      )}
      {heat > 0 && (
        <Fact name={buildWords.boxHeat} value={kelvin(heat)} note={`from ${watts(boardWatts(design))}`} />
      )}
      <div aria-live="polite">
        {notes.length === 0 && <p className={styles.fine}>{buildWords.sitingFine}</p>}
        {notes.length > 0 && (
          <ul className={styles.notes}>
            {notes.map((note) => {
              const { edit } = note;
              return (
                <li key={note.kind}>
                  {sitingNoteText(note, light)}
                  {edit && (
                    <Button size="small" onClick={() => apply(edit)}>
                      {sitingEditText(note)}
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        )}
      </div>
    </Panel>
  );
}

function SitingFields() {
  const project = useProject();
  const apply = useApply();
  const { siting } = project.build;
  return (
    <>
      <OptionalDistance
        label={buildWords.leadMetres}
        metres={siting.leadMetres}
        whenEmpty={buildWords.onBoard}
        refusal={leadRefusal}
        onCommit={(leadMetres) => apply(changeSiting({ leadMetres }))}
      />
      {project.build.layout !== null && <p className="soft">{buildWords.placedAnew}</p>}
      {siting.leadMetres > 0 && (
        <>
          <ChoiceField
            label={buildWords.leads}
            value={siting.leads}
            options={optionsFor(leadKinds, (kind) => leadNames[kind])}
            onChange={(leads) => apply(changeSiting({ leads }))}
          />
          {siting.leads === 'shielded' && <p className="soft">{`${buildWords.shield} ${SHIELD}`}</p>}
          <SwitchField
            label={buildWords.nearMains}
            isOn={siting.isNearMains}
            onChange={(isNearMains) => apply(changeSiting({ isNearMains }))}
          />
        </>
      )}
      <NumberField
        label={buildWords.clearShare}
        value={Number((100 * siting.clearShare).toFixed(2))}
        limits={{ min: 100 * SITING_LIMITS.clearShare.min, max: 100 * SITING_LIMITS.clearShare.max }}
        onCommit={(value) => apply(changeSiting({ clearShare: value / 100 }))}
      />
      <FeedbackLightField />
      <ChoiceField
        label={buildWords.box}
        value={siting.box}
        options={optionsFor(boxKinds, (kind) => boxNames[kind])}
        onChange={(box) => apply(changeSiting({ box }))}
      />
      <WarmestField />
      <SwitchField
        label={buildWords.reached}
        isOn={siting.isReached}
        onChange={(isReached) => apply(changeSiting({ isReached }))}
      />
    </>
  );
}
