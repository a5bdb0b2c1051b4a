export { FeedbackStage } from "./FeedbackStage";
export { MyFeedbackPage } from "./MyFeedbackPage";
