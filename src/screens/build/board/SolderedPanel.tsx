'use client';

import { fixed } from '@/core/quantity/notation';
import { Collapse } from 'antd';
import { netLegs, solderOrder } from '@/core/build/solder';
import type { Piece } from '@/core/build/pieces';
import { Panel } from '@/ui/common/Panel';
import { joinedText, pieceText } from '@/ui/words/building';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';

/** The same circuit soldered: in which order, how far legs are bent, and what meets where. */
export function SolderedPanel({ pieces }: { readonly pieces: readonly Piece[] }) {
  return (
    <Panel title={buildWords.soldered}>
      <p className="soft">{buildWords.solderedHint}</p>
      <Collapse
        size="small"
        items={[
          {
            key: 'order',
            label: buildWords.solderOrder,
            children: (
              <ol>
                {solderOrder(pieces).map(({ piece, bendMillimetres }) => (
                  <li key={piece.id}>
                    {pieceText(piece)}
                    {bendMillimetres !== null && `, legs bent ${fixed(bendMillimetres, 0)} mm apart`}
                  </li>
                ))}
              </ol>
            ),
          },
          {
            key: 'nets',
            label: buildWords.nets,
            children: (
              <ul className={styles.netList}>
                {netLegs(pieces).map(({ net, legs }) => (
                  <li key={net}>
                    <b>{joinedText(net)}</b>:{' '}
                    {legs
                      .map(({ piece, pin }) => `${piece.id}.${pin} ${piece.leads[pin - 1]?.name ?? ''}`)
                      .join(', ')}
                  </li>
                ))}
              </ul>
            ),
          },
        ]}
      />
    </Panel>
  );
}
