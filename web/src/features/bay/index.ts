export { PreparePage } from "./PreparePage";
export { AssessmentPage } from "./AssessmentPage";
