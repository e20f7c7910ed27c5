export { Engine, type Running } from './client';
export type { JobInput, JobName, JobResult, PumpPlan, ResolvedFixes } from './jobs';
export { jobKey, useEngineJob, type Job } from './useEngineJob';
export {
  analystInThread,
  toldInThread,
  type Analyst,
  type Heard,
  type MakeAnalyst,
} from './analyst';
