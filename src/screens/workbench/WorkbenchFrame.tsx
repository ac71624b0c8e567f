'use client';

import { Alert, Button } from 'antd';
import { nanoid } from 'nanoid';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useDeferredValue, useState } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { openStorage } from '@/store/openStorage';
import { addProject } from '@/store/projects';
import { AxisPanel } from '@/ui/axis/AxisPanel';
import { SignalChain } from '@/ui/chain/SignalChain';
import { AdviceList } from '@/ui/common/AdviceList';
import { useCures } from '@/ui/common/useCures';
import { Columns } from '@/ui/common/Columns';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { isWide } from '@/ui/schematic/layout';
import { Schematic } from '@/ui/schematic/Schematic';
import { MemoryNotice } from '@/ui/keeping/MemoryNotice';
import { StorageNotice } from '@/ui/keeping/StorageNotice';
import { DesignSentence } from '@/ui/workbench/DesignSentence';
import type { HelpPage } from '@/ui/help/HelpModal';
import type { PaletteAction } from '@/ui/help/Palette';
import { useOpenSettings } from '@/ui/settings/context';
import { settingsWords } from '@/ui/words/panels/settings';
import { useTour } from '@/ui/help/useTour';
import { useLook } from '@/ui/theme/look';
import { helpWords } from '@/ui/words/panels/help';
import { Header } from '@/ui/workbench/Header';
import { useAnalysis, useProject, useSession, useWorkbench } from '@/ui/workbench/context';
import { useShortcuts } from '@/ui/workbench/useShortcuts';
import { AtOnce, Settle } from '@/ui/workbench/Settle';
import { useStep } from '@/ui/workbench/useStep';
import { stepNames } from '@/ui/words/names';
import { useTitle } from '@/ui/common/useTitle';
import { storageTrouble } from '@/ui/words/refusals';
import { DividePanel } from '../divide/DividePanel';
import { MidpointPanel } from '../divide/MidpointPanel';
import { SizingPanel } from '../divide/SizingMethodsPanel';
import { DrivePanel } from '../drive/DrivePanel';
import { SupplyAndRatings } from '../drive/SupplyAndRatings';
import { MeasureColumns } from '../measure/MeasureColumns';
import { BenchHelpers } from '../switch/BenchHelpers';
import { ConflictPanel } from '../switch/ConflictPanel';
import { DetectorMore } from '../switch/DetectorPanel';
import { StabilityPanel } from '../switch/StabilityPanel';
import { VariantsPanel } from '../switch/VariantsPanel';
import { SwitchPanel } from '../switch/SwitchPanel';

/** Loaded when it is gone to: most of it is of no use before. */
const TryColumns = dynamic(async () => (await import('../try/TryColumns')).TryColumns, { ssr: false });
const GuidedTour = dynamic(async () => (await import('@/ui/help/GuidedTour')).GuidedTour, { ssr: false });
const HelpModal = dynamic(async () => (await import('@/ui/help/HelpModal')).HelpModal, { ssr: false });
const Palette = dynamic(async () => (await import('@/ui/help/Palette')).Palette, { ssr: false });
const CheckColumns = dynamic(async () => (await import('../check/CheckColumns')).CheckColumns, {
  ssr: false,
});
const BuildColumns = dynamic(async () => (await import('../build/BuildColumns')).BuildColumns, {
  ssr: false,
});
import styles from './WorkbenchFrame.module.css';
import { workbenchWords } from '@/ui/words/panels/workbench';

const panels = { divide: DividePanel, switch: SwitchPanel, drive: DrivePanel };

interface WorkbenchFrameProps {
  readonly id: string;
  readonly kept: 'browser' | 'memory';
}

/** The workbench: header, signal chain, the step's own panel at the left, the light axis at the right. */
export function WorkbenchFrame({ id, kept }: WorkbenchFrameProps) {
  const analysis = useAnalysis();
  const design = analysis.ok ? analysis.design : null;
  const [step, goTo] = useStep(id);
  // The chain goes over at once; a step with hundreds of readings is drawn behind it, a piece at a time.
  const shownStep = useDeferredValue(step);
  const [help, setHelp] = useState<HelpPage | null>(null);
  const [isPaletteOpen, setPaletteOpen] = useState(false);
  const openKeys = useCallback(() => setHelp('keys'), []);
  const openPalette = useCallback(() => setPaletteOpen(true), []);
  const tour = useTour();
  useShortcuts({ range: design?.range, onStep: goTo, onKeys: openKeys, onPalette: openPalette });
  return (
    <>
      <Header kept={kept} onKeys={openKeys} />
      <main className={styles.main}>
        <PageTitle step={step} />
        <StorageNotice />
        <StorageAlert kept={kept} />
        {design && <Settle panel={DesignSentence} />}
        <AtOnce>
          <SignalChain current={step} onGo={goTo} />
        </AtOnce>
        {design && <Settle panel={DesignAdvice} />}
        {design ? (
          <StepColumns id={id} design={design} step={shownStep} onGo={goTo} />
        ) : (
          <Alert type="error" title={workbenchWords.thisCircuitHas} />
        )}
      </main>
      {help !== null && (
        <HelpModal
          page={help}
          onPage={setHelp}
          design={design}
          onTour={() => {
            setHelp(null);
            tour.begin();
          }}
        />
      )}
      {isPaletteOpen && (
        <WorkbenchPalette
          onStep={goTo}
          onHelp={setHelp}
          onTour={tour.begin}
          onClose={() => setPaletteOpen(false)}
        />
      )}
      {tour.isOpen && <GuidedTour stop={tour.stop} onStop={tour.goTo} onClose={tour.leave} />}
    </>
  );
}

interface WorkbenchPaletteProps {
  readonly onStep: (step: Step) => void;
  readonly onHelp: (page: HelpPage) => void;
  readonly onTour: () => void;
  readonly onClose: () => void;
}

/** What can be done from every step. */
function WorkbenchPalette({ onStep, onHelp, onTour, onClose }: WorkbenchPaletteProps) {
  const { session } = useWorkbench();
  const { look, change } = useLook();
  const openSettings = useOpenSettings();
  const actions: readonly PaletteAction[] = [
    { name: 'Undo', keys: 'Ctrl Z', run: session.undo },
    { name: 'Redo', keys: 'Ctrl Shift Z', run: session.redo },
    { name: 'Dark bench, and back', keys: 'N', run: () => change(look === 'day' ? 'dark-bench' : 'day') },
    { name: settingsWords.title, run: openSettings },
    { name: helpWords.keys, keys: '?', run: () => onHelp('keys') },
    { name: helpWords.words, run: () => onHelp('words') },
    { name: helpWords.explain, run: () => onHelp('explain') },
    { name: helpWords.tour, run: onTour },
  ];
  return <Palette actions={actions} onStep={onStep} onClose={onClose} />;
}

/** The project and its step: as the page's heading for who hears it, and as the tab's title. */
function PageTitle({ step }: { readonly step: Step }) {
  const { name } = useProject();
  const title = `${name} · ${stepNames[step]}`;
  useTitle(title);
  return <h1 className="visually-hidden">{title}</h1>;
}

/** The advice holds still while a key is held, so that the page below it does not jump. */
function DesignAdvice({ design }: { readonly design: Design }) {
  const answer = useCures(useProject());
  const { corners, cures } = answer === null || answer === 'failed' ? { corners: [], cures: answer } : answer;
  return <AdviceList advice={[...design.advice, ...corners]} cures={cures} />;
}

interface StepColumnsProps {
  readonly id: string;
  readonly design: Design;
  readonly step: Step;
  readonly onGo: (step: Step) => void;
}

function StepColumns({ id, design, step, onGo }: StepColumnsProps) {
  if (step === 'measure') return <MeasureColumns id={id} design={design} onGo={onGo} />;
  if (step === 'try') return <TryColumns design={design} onGo={onGo} />;
  if (step === 'build') return <BuildColumns design={design} onGo={onGo} />;
  if (step === 'check') return <CheckColumns design={design} />;
  const StepPanel = panels[step];
  const schematic = (
    <PanelBoundary name="The schematic">
      <Settle panel={Schematic} />
    </PanelBoundary>
  );
  const wide = isWide(design.assembly);
  return (
    <Columns
      left={
        <>
          {!wide && <div className={styles.schematic}>{schematic}</div>}
          <PanelBoundary key={step} name="This step">
            <StepPanel design={design} onGo={onGo} />
          </PanelBoundary>
        </>
      }
      axis={
        <PanelBoundary name="The light axis">
          <AxisPanel design={design} step={step} />
        </PanelBoundary>
      }
      right={
        <>
          <PanelBoundary name="The variants">
            <Settle panel={VariantsPanel} />
          </PanelBoundary>
          {wide && schematic}
          {step === 'divide' && (
            <PanelBoundary name="The ways to size R1">
              <Settle panel={SizingPanel} />
              <Settle panel={MidpointPanel} />
            </PanelBoundary>
          )}
          {step === 'switch' && (
            <PanelBoundary name="The ways out">
              <DetectorMore design={design} />
              <Settle panel={ConflictPanel} />
              <Settle panel={BenchHelpers} />
              <Settle panel={StabilityPanel} />
            </PanelBoundary>
          )}
          {step === 'drive' && (
            <PanelBoundary name="Supply and ratings">
              <Settle panel={SupplyAndRatings} />
            </PanelBoundary>
          )}
        </>
      }
    />
  );
}

function StorageAlert({ kept }: { readonly kept: 'browser' | 'memory' }) {
  const saving = useSession((state) => state.saving);
  if (kept === 'memory') return <MemoryNotice />;
  const trouble = saving === 'saved' || saving === 'saving' ? null : saving;
  return (
    trouble && (
      <Alert
        type="warning"
        showIcon
        title={storageTrouble(trouble)}
        action={trouble === 'gone' && <KeepAsCopy />}
      />
    )
  );
}

/** Stores what is on the page as a project of its own, and opens it. */
function KeepAsCopy() {
  const project = useProject();
  const router = useRouter();
  const keep = async () => {
    const id = nanoid(12);
    if ((await addProject(await openStorage(), { ...project, id })) === 'saved')
      router.push(`/project/${id}/measure`);
  };
  return (
    <Button size="small" onClick={() => void keep()}>
      {workbenchWords.keepAsCopy}
    </Button>
  );
}
