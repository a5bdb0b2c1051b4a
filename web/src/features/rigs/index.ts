export { RigsPage } from "./RigsPage";
export { RigDetailPage } from "./RigDetailPage";
export { RigWorkshopPage } from "./workshop/RigWorkshopPage";
