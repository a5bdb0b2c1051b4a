export { ClearStage } from "./ClearStage";
