export { ReferencePage } from "./ReferencePage";
export { GlossaryPage } from "./GlossaryPage";
