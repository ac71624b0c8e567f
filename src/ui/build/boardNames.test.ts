import { describe, expect, it } from 'vitest';
import { someProject } from '@/core/advise/testProjects';
import type { Layout } from '@/core/board/layout';
import { piecesOf, type Piece } from '@/core/build/pieces';
import { proposedBoard } from '@/core/build/place';
import { analyse } from '@/core/design';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { promised, runs } from '@/core/testRuns';
import { goesUp, isTouching, LEAD_APART, leadKey, leadsOut, nameBox, namesOn } from './boardNames';
import { holeAt, PITCH } from './boardPlaces';

const FEW_ATTEMPTS = 8;

function boardOf(project: Project): { readonly layout: Layout; readonly pieces: readonly Piece[] } | null {
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const pieces = piecesOf(analysis.design.assembly.parts);
  const { placing } = proposedBoard(pieces, FEW_ATTEMPTS);
  return placing.ok ? { layout: placing.layout, pieces } : null;
}

/** Pairs of names that lie over each other, and pieces that have none. */
function clashesOn(project: Project): { readonly names: number; readonly touching: string[] } {
  const board = boardOf(project);
  if (!board) return { names: 0, touching: [] };
  const names = [...namesOn(board.layout, board.pieces)].map(([id, at]) => ({ id, box: nameBox(id, at) }));
  return {
    names: names.length,
    touching: names.flatMap((one, index) =>
      names
        .slice(index + 1)
        .flatMap((other) =>
          isTouching(one.box, other.box) ? [`${project.name}: ${one.id} ${other.id}`] : [],
        ),
    ),
  };
}

describe('the names on a board', () => {
  it('never lie over each other, on any sample', () => {
    expect(sampleProjects.flatMap((project) => clashesOn(project).touching)).toEqual([]);
  });

  it('never lie over each other, in random projects', () => {
    const count = { names: 0 };
    const found: string[] = [];
    for (let seed = 1; seed <= runs(400); seed++) {
      const { names, touching } = clashesOn(someProject(seed));
      count.names += names;
      found.push(...touching);
    }
    promised('names on boards that lie over another', `${found.length} of ${count.names}`, 'none');
    expect(count.names).toBeGreaterThan(30);
    expect(found).toEqual([]);
  });

  it('come out side by side where they lead to what stands beside the board, in the order of their holes', () => {
    let leads = 0;
    for (let seed = 1; seed <= runs(400); seed++) {
      const analysis = analyse(someProject(seed));
      if (!analysis.ok) continue;
      const pieces = piecesOf(analysis.design.assembly.parts, { isLdrBeside: seed % 2 === 0 });
      const { placing } = proposedBoard(pieces, FEW_ATTEMPTS);
      if (!placing.ok) continue;
      const out = leadsOut(placing.layout, pieces);
      const all = placing.layout.placed.flatMap(({ piece, holes }) =>
        holes.flatMap((hole, index) => {
          const x = out.get(leadKey(piece, index));
          return hole === null || x === undefined ? [] : [{ x, at: holeAt(hole) }];
        }),
      );
      const beside = pieces.filter(({ body }) => body.kind === 'beside');
      expect(all.length).toBe(
        beside.flatMap(({ leads: own }) => own.filter(({ net }) => net !== null)).length,
      );
      leads += all.length;
      for (const isUp of [true, false]) {
        const side = all.filter(({ at }) => goesUp(at) === isUp).sort((one, other) => one.x - other.x);
        side.forEach(({ x, at }, index) => {
          const before = side[index - 1];
          expect(x).toBeGreaterThanOrEqual(at.x);
          expect(x - at.x).toBeLessThan(6 * PITCH);
          if (before) expect(x - before.x).toBeGreaterThanOrEqual(LEAD_APART);
          if (before) expect(at.x).toBeGreaterThanOrEqual(before.at.x);
        });
      }
    }
    promised('leads to what stands beside the board whose names lie over another', `0 of ${leads}`, 'none');
    expect(leads).toBeGreaterThan(20);
  });

  it('stand beside their own piece', () => {
    for (const project of sampleProjects) {
      const board = boardOf(project);
      for (const [id, { x, y }] of board ? namesOn(board.layout, board.pieces) : []) {
        const holes = board?.layout.placed.find(({ piece }) => piece === id)?.holes ?? [];
        const at = holes.flatMap((hole) => (hole === null ? [] : [holeAt(hole)]));
        const [xs, ys] = [at.map((each) => each.x), at.map((each) => each.y)];
        const away = Math.max(
          Math.min(...xs) - x,
          x - Math.max(...xs),
          Math.min(...ys) - y,
          y - Math.max(...ys),
        );
        expect(away, `${project.name} ${id}`).toBeLessThan(3 * PITCH);
      }
    }
  });
});
