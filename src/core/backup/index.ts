export type { Backup, BuildInBackup, MomentInBackup, PhotoInBackup, PartInBackup } from './types';
