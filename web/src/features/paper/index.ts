export { BlankSheetPage } from "./BlankSheetPage";
export { PaperEntryPage } from "./PaperEntryPage";
