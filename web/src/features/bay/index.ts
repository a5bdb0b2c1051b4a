export { BriefPage } from "./BriefPage";
export { PreparePage } from "./PreparePage";
export { AssessmentPage } from "./AssessmentPage";
