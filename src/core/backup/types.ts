/** A state of a build that was kept in its history. */
export interface MomentInBackup {
  readonly revision: number;
  /** Milliseconds since 1970, as all times here. */
  readonly savedAt: number;
  readonly name: string | null;
  readonly document: string;
}

/** A photo taken at a step of the work. */
export interface PhotoInBackup {
  readonly id: string;
  readonly step: string;
  readonly takenAt: number;
  /** Media type. */
  readonly type: string;
  readonly picture: Uint8Array;
  readonly deletedAt: number | null;
}

/** A build in a backup with every moment of its history and all its photos. */
export interface BuildInBackup {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly document: string;
  readonly demo: string | null;
  readonly createdAt: number;
  readonly updatedAt: number;
  readonly deletedAt: number | null;
  readonly history: readonly MomentInBackup[];
  readonly photos: readonly PhotoInBackup[];
}

/** A part of the builder's own in a backup. */
export interface PartInBackup {
  readonly id: string;
  readonly kind: string;
  readonly document: string;
  readonly updatedAt: number;
  readonly deletedAt: number | null;
}

/** Everything a database holds, documents byte for byte as kept. */
export interface Backup {
  readonly builds: readonly BuildInBackup[];
  readonly parts: readonly PartInBackup[];
  readonly retired: readonly { readonly id: string; readonly at: number }[];
  readonly seeds: readonly { readonly name: string; readonly at: number }[];
}
