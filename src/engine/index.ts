export { Engine, type Running } from './client';
export type { JobInput, JobName, JobResult, ResolvedFixes } from './jobs';
export { useEngineJob, type Job } from './useEngineJob';
