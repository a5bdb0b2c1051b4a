export { ReferencePage } from "./ReferencePage";
