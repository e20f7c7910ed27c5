export {
  caseFromDraft,
  draftFromCase,
  emptyDraft,
  type CaseDraft,
  type DraftTrouble,
  type MountDraft,
} from './caseDraft';
export { draftTroubles } from './troubles';
