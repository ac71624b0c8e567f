import { nanoid } from 'nanoid';
import { checkedStorage } from '@/store/checked';
import { YemkoDatabase } from '@/store/database';
import { dexieStorage } from '@/store/dexieStorage';
import { workOnFiles, type FileResult, type FileWork } from '@/store/files';
import { serve } from '../protocol';

const database = new YemkoDatabase();
const storage = checkedStorage(dexieStorage(database));

serve<FileWork, FileResult>(async (work, onProgress) => {
  await database.open();
  if (database.isNewer) {
    database.giveUp();
    throw new Error('the database is a newer one');
  }
  return workOnFiles(storage, work, () => nanoid(12), onProgress);
});
