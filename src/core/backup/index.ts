export type { Backup, BuildInBackup, MomentInBackup, PartInBackup } from './types';
