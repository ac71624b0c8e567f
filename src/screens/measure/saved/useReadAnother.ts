import { App } from 'antd';
import { nanoid } from 'nanoid';
import { readNextLdr } from '@/core/project/readingEdits';
import { openStorage } from '@/store/openStorage';
import { useKeys } from '@/ui/workbench/useKeys';
import { useApply, useWorkbench } from '@/ui/workbench/context';
import { storageTrouble } from '@/ui/words/refusals';
import { savedLdrOf } from '@/core/project/savedLdr';

/** Keeps the project's LDR in stock and starts on another at the same lights; also on the key R. */
export function useReadAnother(): () => Promise<void> {
  const apply = useApply();
  const { session } = useWorkbench();
  const { message } = App.useApp();
  const readAnother = async () => {
    const { project } = session.store.getState();
    if (project.readings.length === 0) return;
    const storage = await openStorage();
    const outcome = await storage.ldrs.put(
      savedLdrOf(project, await storage.ldrs.all(), nanoid(10), Date.now()),
    );
    if (outcome !== 'saved') return void message.error(storageTrouble(outcome));
    apply(readNextLdr);
    void message.success(`“${project.part.name}” is saved. Now the next LDR, at the same lights.`);
  };
  useKeys({ r: () => void readAnother() });
  return readAnother;
}
