export { SetStage } from "./SetStage";
export { CardPage } from "./CardPage";
export { ProposalFields } from "./ProposalFields";
