/** What this browser keeps: earlier versions, backups, the bin, room. */
export { StoragePage } from './StoragePage';
export { VersionsPage } from './VersionsPage';
