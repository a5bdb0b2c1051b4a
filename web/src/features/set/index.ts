export { SetStage } from "./SetStage";
export { CardPage } from "./CardPage";
