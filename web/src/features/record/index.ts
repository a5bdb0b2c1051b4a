export { RecordStage } from "./RecordStage";
