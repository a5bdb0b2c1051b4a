async () => {
  const event = () => crypto.randomUUID();
  const call = async (method, path, body) => {
    const answer = await fetch(path, {
      method,
      headers: {
        "Content-Type": "application/json",
        "X-XSRF-TOKEN": document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1],
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const text = await answer.text();
    // as the application itself: when one person has too many calls under way it tries again
    if (answer.status === 429) {
      await new Promise((again) => setTimeout(again, 400));
      return call(method, path, body);
    }
    if (!answer.ok) throw new Error(`${method} ${path} ${answer.status} ${text}`);
    return text ? JSON.parse(text) : null;
  };
  /** A candidate at work on a rig that is healthy, or has faults set by hand: everything before Watch, as the screens would send it. */
  window.atWork = async (bayId, candidateId, schemeId, faults = []) => {
    const { id } = await call("POST", "/api/assessments", { bayId, candidateId, testerId: "t1", schemeId });
    const at = `/api/assessments/${id}`;
    const { basedOn } = await call("GET", `${at}/set`);
    await call("PUT", `${at}/faults`, { eventId: event(), basedOn, faults, from: null });
    await call("POST", `${at}/lock-off`, { eventId: event() });
    const set = async (deadOnly) => {
      for (const step of (await call("GET", `${at}/proof`)).steps.filter((s) => s.deadOnly === deadOnly))
        for (const what of step.look ? ["SET", "SEEN"] : ["SET"])
          await call("POST", `${at}/proof/handled`, { eventId: event(), fault: step.index, what, done: true });
    };
    const prove = async (live) => {
      const checks = (await call("GET", `${at}/proof`)).checks.filter((c) => c.live === live);
      if (checks.length === 0) return;
      const seen = ["links", "earth", "covers", "isolation", "warned", "permission"];
      if (live)
        await call("POST", `${at}/live/on`, {
          eventId: event(), reason: null, seen: seen.map((item) => ({ list: "LIVE_GIVEN", item })),
        });
      for (const check of checks) {
        const { text } = await call("POST", `${at}/proof/simulated`, { slot: check.slot });
        await call("POST", `${at}/proof/readings`, { eventId: event(), slot: check.slot, text });
      }
      if (live) await call("POST", `${at}/live/off`, { eventId: event(), lockedOff: true, provedDead: true });
    };
    await set(false);
    await prove(true);
    await set(true);
    await prove(false);
    await call("POST", `${at}/proof/open`, { eventId: event() });
    return id;
  };
  /** What the simulated tester shows in each measured box, by box; null for one that is chosen. */
  window.readings = async (id) => {
    const all = {};
    const { steps } = await call("GET", `/api/assessments/${id}/paper`);
    for (const step of steps)
      for (const group of step.groups)
        await Promise.all(group.boxes.map(async (box) => {
          all[box.slot] = box.keys.length > 0 && box.unit === ""
            ? box.keys[0]
            : await call("POST", `/api/assessments/${id}/proof/simulated`, { slot: box.slot })
                .then((r) => r.text, () => "0.50");
        }));
    return all;
  };
  /** The candidate writes every box of some tests. */
  window.writeAll = async (id, tests, readings) => {
    const sheet = await call("GET", `/api/my/sheets/${id}`);
    for (const item of sheet.conducted.ready.items.filter((i) => i.ticked === null))
      await call("PUT", `/api/my/sheets/${id}/ticks`, { eventId: event(), list: "READY", item: item.id, on: true });
    for (const step of sheet.steps.filter((s) => tests.includes(s.id)))
      for (const group of step.groups)
        for (const box of group.boxes)
          await call("PUT", `/api/my/sheets/${id}/readings`, {
            eventId: event(), slot: box.slot, text: readings[box.slot], basedOn: box.seq,
          });
  };
  /** The tests that each step of a scheme asks for, as the sheet names them. */
  window.testsOf = async (schemeId) => {
    const { version } = (await call("GET", "/api/schemes")).find((s) => s.id === schemeId);
    const file = await call("GET", `/api/schemes/${schemeId}/${version}/file`);
    return Object.fromEntries(
      file.steps.map((s) => [s.id, (s.tests ?? []).map((t) => t.toUpperCase().replaceAll("-", "_"))]),
    );
  };
  const number = (text) => Number(/[0-9.]+/.exec(text)?.[0] ?? "NaN");
  /**
   * A sheet of the workshop scheme as somebody careful fills it: method 1, the highest of the own readings on record, each
   * judged; what is given instead is written as it is given, and the record follows from it.
   */
  window.fillWorkshop = async (id, readings, instead = {}) => {
    const written = { ...readings, ...instead };
    await window.writeAll(id, [], readings);
    const sheet = await call("GET", `/api/my/sheets/${id}`);
    for (const step of sheet.steps.filter((s) => s.id !== "R2"))
      for (const group of step.groups)
        for (const box of group.boxes) {
          const own = box.chosenFrom.map((s) => written[s]).filter(Boolean);
          const text = own.length > 0 ? own.reduce((a, b) => (number(b) > number(a) ? b : a)) : written[box.slot];
          await call("PUT", `/api/my/sheets/${id}/readings`, {
            eventId: event(), slot: box.slot, text, basedOn: box.seq,
          });
          if (box.judged)
            await call("PUT", `/api/my/sheets/${id}/judgements`, {
              eventId: event(), slot: box.slot, satisfactory: true, basedOn: box.judgedSeq,
            });
        }
    await call("POST", `/api/my/sheets/${id}/hand-in`, { eventId: event() });
  };
  window.call = call;
  window.event_ = event;
}
