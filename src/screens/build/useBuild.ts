import { useEffect, useMemo, useState } from 'react';
import type { Layout } from '@/core/board/layout';
import { budgetOf } from '@/core/analyse/budget';
import { ratingsOf } from '@/core/analyse/ratings';
import { isLayoutOf } from '@/core/build/move';
import { partsList, type PartLine, type SupplyToGet } from '@/core/build/partsList';
import { piecesOf, type Piece } from '@/core/build/pieces';
import { warmParts } from '@/core/siting/boxHeat';
import type { Placing } from '@/core/build/place';
import { railOhms } from '@/core/build/railOhms';
import { boardFaults, type BoardFault } from '@/core/build/readBack';
import { buildSteps, wireNets, type BuildStep } from '@/core/build/steps';
import type { Design } from '@/core/design';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { partsOfKind } from '@/core/parts/find';
import type { Project } from '@/core/project/project';
import { useProject } from '@/ui/workbench/context';
import { placeClient } from '@/workers/build/client';

/** How a design stands on its board. */
export interface Built {
  readonly pieces: readonly Piece[];
  /** `null` while it is placed, and where it finds no place. */
  readonly layout: Layout | null;
  readonly trouble: 'too-large' | 'failed' | null;
  /** It was moved by hand. */
  readonly isByHand: boolean;
}

/** A design on its board: as it was moved by hand, else placed beside the page. */
export function useBuilt(design: Design): Built {
  const { build } = useProject();
  const { legs } = build;
  const isLdrBeside = build.siting.leadMetres > 0;
  const pieces = useMemo(
    () => piecesOf(design.assembly.parts, { isLdrBeside, legs, warm: warmParts(design) }),
    [design, isLdrBeside, legs],
  );
  const own = build.layout && isLayoutOf(build.layout, pieces) ? build.layout : null;
  const { board } = build;
  // What of the circuit a board hangs on: values may change as they like.
  const key = JSON.stringify([
    board,
    pieces.map(({ id, leads, body, isWarm }) => [id, leads.map(({ net }) => net), body, isWarm]),
  ]);
  const [placed, setPlaced] = useState<{ readonly of: string; readonly placing: Placing | 'failed' } | null>(
    null,
  );
  const isOwn = own !== null;
  useEffect(() => {
    if (isOwn || lastPlaced?.of === key) return;
    let isWanted = true;
    void placeClient.run({ board, pieces }).then((outcome) => {
      const placing = outcome.ok ? outcome.output : ('failed' as const);
      if (outcome.ok) lastPlaced = { of: key, placing: outcome.output };
      if (isWanted) setPlaced({ of: key, placing });
    });
    return () => {
      isWanted = false;
    };
    // The pieces are told by their key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, isOwn]);
  const found = lastPlaced?.of === key ? lastPlaced.placing : placed?.of === key ? placed.placing : null;
  if (own) return { pieces, layout: own, trouble: null, isByHand: true };
  if (found === 'failed') return { pieces, layout: null, trouble: 'failed', isByHand: false };
  if (found && !found.ok) return { pieces, layout: null, trouble: found.reason, isByHand: false };
  return { pieces, layout: found?.ok ? found.layout : null, trouble: null, isByHand: false };
}

/** The last circuit that was placed: it is there at once when its step is gone to again. */
let lastPlaced: { readonly of: string; readonly placing: Placing } | null = null;

/** What is wrong on the board. */
export function useFaults({ layout, pieces }: Built): readonly BoardFault[] {
  return useMemo(() => (layout ? boardFaults(layout, pieces) : []), [layout, pieces]);
}

/** Which net each wire of a layout is of. */
export const useWireNets = ({ layout, pieces }: Built) =>
  useMemo(() => (layout ? wireNets(layout, pieces) : () => ''), [layout, pieces]);

/** Every step of building a layout. */
export function useSteps(design: Design, { layout, pieces }: Built): readonly BuildStep[] {
  return useMemo(() => (layout ? stepsOf(design, layout, pieces) : []), [design, layout, pieces]);
}

function stepsOf(
  { assembly, ldr, range }: Design,
  layout: Layout,
  pieces: readonly Piece[],
): readonly BuildStep[] {
  const supplies = partsOfKind(assembly.parts, 'supply');
  return buildSteps(layout, pieces, {
    railOhms: railOhms(assembly.parts, 'supply', ldrOhmsAt(ldr.curve, range.maxLux)),
    railVolts: Object.fromEntries(supplies.map(({ rail, volts }) => [rail, volts])),
  });
}

/** What is to be got of the sensor's supply and of the loads' own. */
function suppliesToGet(project: Project, design: Design): Readonly<Record<string, SupplyToGet>> {
  return Object.fromEntries(
    budgetOf(project, design).map(({ feeds, source, inrushAmps }) => {
      const { kind, battery, cells } = source;
      const isBattery = kind === 'battery';
      return [
        feeds === 'load' ? 'load-supply' : 'supply',
        { cells: isBattery ? { battery, count: cells } : null, minAmps: inrushAmps },
      ];
    }),
  );
}

/** The parts list of a design. */
export function partLinesOf(project: Project, design: Design): readonly PartLine[] {
  const supplies = partsOfKind(design.assembly.parts, 'supply');
  const volts = supplies.map((supply) => supply.volts);
  return partsList({
    parts: design.assembly.parts,
    stock: project.resistors,
    watts: Object.fromEntries(
      ratingsOf(design).map(({ designator, ratedWatts }) => [designator, ratedWatts]),
    ),
    r10Ohms: design.resolved.scale === 'lux' ? design.ldr.curve.r10Ohms : null,
    supplies: suppliesToGet(project, design),
    maxVolts: Math.max(0, ...volts) - Math.min(0, ...volts),
    copies: project.build.copies,
    spares: project.build.spares,
  });
}
