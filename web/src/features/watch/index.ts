export { ProcedureLine } from "./ProcedureLine";
export { WatchStage } from "./WatchStage";
