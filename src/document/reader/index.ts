/** Reading what comes from outside, in a worker. */
export { type NotRead, type Read, readInWorker } from './readInWorker';
export type { ReaderKind, Readers } from './readers';
export { filesOfDrop, filesOfFolder, filesOfList } from './foundFiles';
export { createPhotoReaders, type FoundFile, type ReadingCount } from './readPhotos';
