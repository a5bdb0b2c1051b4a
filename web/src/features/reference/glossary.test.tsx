import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { shown, StandIn } from "../../testing/server";
import { GlossaryPage } from "./GlossaryPage";

const terms = [
  { word: "CPC", meaning: "Joins exposed metalwork to the main earthing terminal.", ours: false },
  { word: "Window", meaning: "Between what and what a reading of this rig lies.", ours: true },
];

it("explains the words, tells our own apart, and finds one by a part of it", async () => {
  new StandIn().answers["/api/reference/glossary"] = terms;
  shown(<GlossaryPage />);
  expect(await screen.findByText("2 words")).toBeInTheDocument();
  expect(screen.getByText("Window")).toHaveTextContent("Prantel’s word");
  await userEvent.type(screen.getByLabelText("Find a word"), "metalw");
  expect(screen.getByRole("status")).toHaveTextContent("1 of 2 words");
  expect(screen.queryByText("Window")).not.toBeInTheDocument();
  await userEvent.type(screen.getByLabelText("Find a word"), "xx");
  expect(screen.getByText(/No word here matches/)).toBeInTheDocument();
});
