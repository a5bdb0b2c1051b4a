export { HaltDialog } from "./HaltDialog";
export { MakeSafe } from "./MakeSafe";
export { MorePane, PairTablet } from "./MorePane";
export { PausePane } from "./PausePane";
export { StageClock } from "./StageClock";
export { conductQuery, listOf, useAdjust, useCircuits, useDeed, useTick } from "./queries";
