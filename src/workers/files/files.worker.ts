import { nanoid } from 'nanoid';
import { checkedStorage } from '@/store/checked';
import { dexieStorage, YemkoDatabase } from '@/store/dexieStorage';
import { workOnFiles, type FileResult, type FileWork } from '@/store/files';
import { serve } from '../protocol';

const storage = checkedStorage(dexieStorage(new YemkoDatabase()));

serve<FileWork, FileResult>((work, onProgress) => workOnFiles(storage, work, () => nanoid(12), onProgress));
