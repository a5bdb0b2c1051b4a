export { SchemesPage } from "./SchemesPage";
export { SchemePage } from "./SchemePage";
export { SchemeEditorPage } from "./SchemeEditorPage";
export { schemeQueries } from "./queries";
