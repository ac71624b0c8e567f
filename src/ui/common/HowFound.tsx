'use client';

import { QuestionCircleOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { inNotation } from '@/core/quantity/notation';
import type { Explanation } from '../words/howFound';
import { Popped } from './Popped';
import styles from './HowFound.module.css';

/** A small button beside a figure that tells how it was found, with this project's numbers. */
export function HowFound({ explanation }: { readonly explanation: Explanation }) {
  const content = (
    <div className={styles.lines}>
      {explanation.lines.map((line) => (
        <p key={line}>{inNotation(line)}</p>
      ))}
    </div>
  );
  return (
    <Popped title={explanation.title} content={content} placement="rightTop">
      <Button
        type="text"
        size="small"
        className={styles.button}
        icon={<QuestionCircleOutlined />}
        aria-label={`How found: ${explanation.title}`}
      />
    </Popped>
  );
}
