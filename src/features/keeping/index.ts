/** What this browser keeps: earlier versions, backups, the bin, room. */
export { StoragePlace } from './StoragePlace';
export { VersionsPlace } from './VersionsPlace';
