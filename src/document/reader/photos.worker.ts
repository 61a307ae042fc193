import { expose } from 'comlink';
import { readPhotoFiles } from './photoFiles';

const service = { read: readPhotoFiles };
export type PhotoService = typeof service;

expose(service);
