export {
  emptyDraft,
  type CaseDraft,
  type DraftTrouble,
  type MountDraft,
  type ObstacleDraft,
  type PortDraft,
  type RailAxis,
} from './caseDraft';
export { caseFromDraft, litresOf } from './makeCase';
export { axesOfMount, railsOf } from './rails';
export { draftFromCase } from './readCase';
export { draftTroubles } from './troubles';
