import type { WriteOutcome } from '@/store/storage';
import { storageTrouble } from '@/ui/words/refusals';
import styles from '../Check.module.css';

/** Says why an entry could not be written down; nothing where it was. */
export function WriteTrouble({ trouble }: { readonly trouble: Exclude<WriteOutcome, 'saved'> | null }) {
  return (
    trouble && (
      <p role="alert" className={styles.trouble}>
        {storageTrouble(trouble)}
      </p>
    )
  );
}
