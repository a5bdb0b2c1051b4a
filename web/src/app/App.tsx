import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import {
  AccountPage,
  InvitationPage,
  isLeaving,
  LeavingPage,
  onSessionChange,
  PairPage,
  placesOf,
  sessionQueries,
  SetUpPage,
  SignInPage,
} from "../features/session";
import { Loaded } from "../ui/States";
import { Boundary } from "./Boundary";
import { Shell } from "./Shell";

const FloorPage = lazy(() => import("../features/floor").then((m) => ({ default: m.FloorPage })));
const PreparePage = lazy(() => import("../features/bay").then((m) => ({ default: m.PreparePage })));
const BriefPage = lazy(() => import("../features/bay").then((m) => ({ default: m.BriefPage })));
const BlankSheetPage = lazy(() => import("../features/paper").then((m) => ({ default: m.BlankSheetPage })));
const PaperEntryPage = lazy(() => import("../features/paper").then((m) => ({ default: m.PaperEntryPage })));
const AssessmentPage = lazy(() => import("../features/bay").then((m) => ({ default: m.AssessmentPage })));
const CardPage = lazy(() => import("../features/set").then((m) => ({ default: m.CardPage })));
const ClassPlanPage = lazy(() => import("../features/classplan").then((m) => ({ default: m.ClassPlanPage })));
const SheetListPage = lazy(() => import("../features/sheet").then((m) => ({ default: m.SheetListPage })));
const SheetPage = lazy(() => import("../features/sheet").then((m) => ({ default: m.SheetPage })));
const MyFeedbackPage = lazy(() =>
  import("../features/feedback").then((m) => ({ default: m.MyFeedbackPage })),
);
const GlossaryPage = lazy(() => import("../features/reference").then((m) => ({ default: m.GlossaryPage })));
const ReferencePage = lazy(() => import("../features/reference").then((m) => ({ default: m.ReferencePage })));
const RigsPage = lazy(() => import("../features/rigs").then((m) => ({ default: m.RigsPage })));
const RigDetailPage = lazy(() => import("../features/rigs").then((m) => ({ default: m.RigDetailPage })));
const RigWorkshopPage = lazy(() => import("../features/rigs").then((m) => ({ default: m.RigWorkshopPage })));
const SchemesPage = lazy(() => import("../features/schemes").then((m) => ({ default: m.SchemesPage })));
const SchemePage = lazy(() => import("../features/schemes").then((m) => ({ default: m.SchemePage })));
const SchemeEditorPage = lazy(() =>
  import("../features/schemes").then((m) => ({ default: m.SchemeEditorPage })),
);
const RecordsPage = lazy(() => import("../features/records").then((m) => ({ default: m.RecordsPage })));
const PracticePage = lazy(() => import("../features/practice").then((m) => ({ default: m.PracticePage })));
const ProgressPage = lazy(() => import("../features/practice").then((m) => ({ default: m.ProgressPage })));
const PracticeBench = lazy(() => import("../features/practice").then((m) => ({ default: m.PracticeBench })));
const WorkshopPage = lazy(() => import("../features/workshop").then((m) => ({ default: m.WorkshopPage })));

export function App() {
  const session = useQuery(sessionQueries.current);
  const client = useQueryClient();
  const [leaving, setLeaving] = useState(isLeaving);
  const who = session.data?.person?.id;
  const tablet = useRef(false);
  useEffect(() => {
    if (session.data?.person) tablet.current = session.data.person.sheet !== null;
  }, [session.data]);
  const at = useLocation().pathname;
  // a tablet is let in to another sheet whoever was signed in before
  const pairing = at === "/pair";

  useEffect(() => {
    const signedOut = () => void client.invalidateQueries({ queryKey: sessionQueries.current.queryKey });
    window.addEventListener("prantel-signed-out", signedOut);
    return () => window.removeEventListener("prantel-signed-out", signedOut);
  }, [client]);

  useEffect(
    () =>
      onSessionChange(() => {
        setLeaving(isLeaving());
        // nothing of whoever was here before stays in memory
        client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
        void client.resetQueries({ queryKey: sessionQueries.current.queryKey });
      }),
    [client],
  );

  useEffect(() => {
    // somebody else than before: what was fetched for the person before goes
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" && q.getObserversCount() === 0 });
  }, [client, who]);

  if (leaving) return <LeavingPage onGone={() => window.location.assign("/sign-in")} />;
  return (
    <Loaded query={session}>
      {({ person, demo, setUpNeeded }) => {
        if (setUpNeeded) return <SetUpPage />;
        if (pairing) return <PairPage />;
        if (!person && at === "/invitation") return <InvitationPage />;
        // a tablet has no password to come in by: it waits for the next code
        if (!person && tablet.current) return <PairPage ended />;
        if (!person) return <SignInPage demo={demo} />;
        const may = placesOf(person);
        return (
          <Shell key={person.id} person={person} demo={demo}>
            <Boundary>
              <Suspense fallback={<p className="p-6 text-ink2">Fetching…</p>}>
                <Routes>
                  {may.candidate && (
                    <>
                      <Route path="/my/sheets" element={<SheetListPage me={person.id} />} />
                      <Route path="/my/sheets/:id" element={<SheetPage me={person.id} />} />
                      <Route path="/my/sheets/:id/feedback" element={<MyFeedbackPage />} />
                    </>
                  )}
                  {may.assess && (
                    <>
                      <Route path="/floor" element={<FloorPage />} />
                      <Route path="/records" element={<RecordsPage />} />
                      <Route path="/class-plan" element={<ClassPlanPage />} />
                      <Route path="/bays/:bayId/prepare" element={<PreparePage />} />
                      <Route path="/assessments/:id/card" element={<CardPage />} />
                      <Route path="/assessments/:id/brief" element={<BriefPage />} />
                      <Route path="/assessments/:id/paper" element={<PaperEntryPage me={person.id} />} />
                      <Route path="/assessments/:id/:stage" element={<AssessmentPage />} />
                      <Route path="/schemes/:id/:version/change" element={<SchemeEditorPage />} />
                    </>
                  )}
                  {may.rigs && (
                    <>
                      <Route path="/schemes" element={<SchemesPage />} />
                      <Route path="/schemes/:id/:version" element={<SchemePage />} />
                      <Route path="/rigs" element={<RigsPage />} />
                      <Route path="/rigs/new" element={<RigWorkshopPage key="new" />} />
                      <Route path="/rigs/:id/paper" element={<BlankSheetPage />} />
                      <Route path="/rigs/:id" element={<RigDetailPage />} />
                      <Route path="/rigs/:id/change" element={<RigWorkshopPage key="change" />} />
                    </>
                  )}
                  {may.workshop && <Route path="/workshop" element={<WorkshopPage people={may.people} />} />}
                  {!may.oneSheet && (
                    <>
                      <Route path="/practice" element={<PracticePage />} />
                      <Route path="/practice/progress/:person" element={<ProgressPage />} />
                      <Route path="/practice/:id" element={<PracticeBench />} />
                      <Route path="/account" element={<AccountPage />} />
                    </>
                  )}
                  <Route path="/reference" element={<ReferencePage />} />
                  <Route path="/glossary" element={<GlossaryPage />} />
                  <Route path="*" element={<Navigate to={may.home} replace />} />
                </Routes>
              </Suspense>
            </Boundary>
          </Shell>
        );
      }}
    </Loaded>
  );
}
