export { SheetListPage } from "./SheetListPage";
export { SheetPage } from "./SheetPage";
