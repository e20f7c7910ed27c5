export { EditorProvider, useEditor, useEditorLater, useEditorNow } from './EditorProvider';
export { useUnderHand } from './useUnderHand';
export { Workspace } from './Workspace';
export { FindingList } from './FindingList';
export { ConnectDialog } from './ConnectLater';
export { STAGES, isStage, type StageId } from './stages';
export { addBuild } from './send';
export { keptBuilds, keptWork } from './outbox';
export {
  downloadBends,
  downloadBlob,
  downloadBendSheet,
  downloadBracket,
  downloadBracketStl,
  downloadCalendar,
  downloadInp,
  downloadReadings,
  downloadService,
  downloadPart,
  downloadRun,
  downloadList,
  downloadListJson,
} from './download';
export {
  useAirSensitivity,
  useRatings,
  useBands,
  useAlternatives,
  useBetterLayout,
  useCalibration,
  useDiagnosis,
  useFamilies,
  useTrends,
  useChanges,
  useComparedParts,
  useCurves,
  useImprovement,
  useOrders,
  usePumpChoices,
  usePumpPlan,
  useSpeedsJudged,
  useTransient,
  useStarter,
  useWhatFits,
} from './useJobs';
export { isMachine, isSettled, meanOf, useDevices, type Devices } from './useDevices';
export { followToStage, stageAddress } from './goToStage';
export {
  CASE_VIEWS,
  isInSpace,
  useFrame,
  useInAddress,
  type CaseView,
  type SpaceView,
} from './frame';
export { useDrawRun } from './useDrawRun';
export { useMeasuredElsewhere } from './useMeasuredElsewhere';
export { useSceneOnPage } from './sceneOnPage';
