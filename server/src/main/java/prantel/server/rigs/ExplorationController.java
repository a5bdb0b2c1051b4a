package prantel.server.rigs;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.Key;
import prantel.core.rig.Rig;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Effect;
import prantel.core.setting.Exploration;
import prantel.core.setting.PairExploration;
import prantel.server.keys.Explorations;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Every single fault of a rig with what it does; which of two hides the other, worked out in the background. */
@RestController
@RequestMapping("/api/rigs/{id}/faults")
class ExplorationController implements DisposableBean {
    private final Workshop workshop;
    private final Schemes schemes;
    private final Explorations explorations;
    private final Map<String, PairJob> jobs = new ConcurrentHashMap<>();
    /** One job at a time: a workshop's server has other things to do. */
    private final ExecutorService worker = Executors.newSingleThreadExecutor(Thread.ofPlatform()
            .daemon()
            .name("pair-exploration")
            .priority(Thread.MIN_PRIORITY)
            .factory());

    ExplorationController(Workshop workshop, Schemes schemes, Explorations explorations) {
        this.workshop = workshop;
        this.schemes = schemes;
        this.explorations = explorations;
    }

    record ExplorationView(int boxes, int findable, int borderline, int hidden, List<ExploredLine> faults) {}

    record ExploredLine(
            @JsonUnwrapped ExploredFault of,
            @JsonUnwrapped ExploredShows shows,
            @JsonUnwrapped ExploredWeight weight) {}

    /** Which fault. */
    record ExploredFault(
            String group,
            String kind,
            String title,
            String where,
            @Nullable String circuit) {}

    /** Where it shows. */
    record ExploredShows(String visibility, String firstTest, int boxes) {}

    /** How hard and how unsafe it is. */
    record ExploredWeight(double difficulty, String safety, String severity) {}

    /**
     * @param state "none", "waiting", "running", "done" or "stopped"
     * @param share done, 0 to 1
     */
    record PairsView(String state, double share, int pairs, List<MaskedLine> masked) {}

    record MaskedLine(String hidden, String by) {}

    private static final class PairJob {
        private volatile double share;
        private volatile boolean stop;
        private volatile String state = "waiting";
        private volatile PairExploration.@Nullable Result result;
    }

    /** @param scheme id of a scheme */
    @GetMapping
    ExplorationView explore(@PathVariable String id, @RequestParam(defaultValue = "full") String scheme) {
        Exploration singles = explorations.of(key(id, scheme));
        Rig rig = singles.healthy().rig();
        int boxes = singles.healthy().expectations().size();
        int[] counts = new int[3];
        List<ExploredLine> lines = new ArrayList<>();
        for (Effect e : singles.effects()) {
            counts[e.visibility().ordinal()]++;
            lines.add(new ExploredLine(
                    new ExploredFault(
                            e.fault().kind().group().label(),
                            e.fault().kind().id(),
                            e.fault().title(),
                            e.fault().where(rig),
                            e.fault().place().ofCircuit().map(c -> c.value()).orElse(null)),
                    new ExploredShows(
                            e.visibility().name().toLowerCase(java.util.Locale.ROOT),
                            e.firstTest(),
                            e.findable().size()),
                    new ExploredWeight(
                            Difficulty.of(e, boxes),
                            e.fault().safety().words(),
                            e.fault().kind().severity().name())));
        }
        return new ExplorationView(boxes, counts[0], counts[1], counts[2], lines);
    }

    @GetMapping("/pairs")
    PairsView pairs(@PathVariable String id, @RequestParam(defaultValue = "full") String scheme) {
        PairJob job = jobs.get(jobId(id, scheme));
        return job == null
                ? new PairsView("none", 0, 0, List.of())
                : view(job, key(id, scheme).rig());
    }

    @PostMapping("/pairs")
    PairsView startPairs(@PathVariable String id, @RequestParam(defaultValue = "full") String scheme) {
        Key key = key(id, scheme);
        PairJob job = new PairJob();
        PairJob before = jobs.put(jobId(id, scheme), job);
        if (before != null) {
            before.stop = true;
        }
        worker.execute(() -> run(job, key));
        return view(job, key.rig());
    }

    @DeleteMapping("/pairs")
    PairsView stopPairs(@PathVariable String id, @RequestParam(defaultValue = "full") String scheme) {
        PairJob job = jobs.get(jobId(id, scheme));
        if (job == null) {
            throw Refusal.notFound("exploration");
        }
        job.stop = true;
        if (job.state.equals("waiting")) {
            job.state = "stopped";
        }
        return view(job, key(id, scheme).rig());
    }

    private void run(PairJob job, Key key) {
        if (job.stop) {
            job.state = "stopped";
            return;
        }
        job.state = "running";
        try {
            Exploration singles = explorations.of(key);
            PairExploration.Result result =
                    PairExploration.of(singles, singles.effects(), share -> job.share = share, () -> job.stop);
            job.result = result;
            job.state = result.stopped() ? "stopped" : "done";
        } finally {
            // whatever happened, nobody shall wait for it for ever
            if (job.state.equals("running")) {
                job.state = "stopped";
            }
        }
    }

    private static PairsView view(PairJob job, Rig rig) {
        PairExploration.Result result = job.result;
        return new PairsView(
                job.state,
                job.share,
                result == null ? 0 : result.pairs(),
                result == null
                        ? List.of()
                        : result.masked().stream()
                                .map(m -> new MaskedLine(
                                        m.hidden().title() + ", " + m.hidden().where(rig),
                                        m.by().title() + ", " + m.by().where(rig)))
                                .toList());
    }

    private static String jobId(String rig, String scheme) {
        return rig + "/" + scheme;
    }

    private Key key(String id, String scheme) {
        DocumentRef ref = workshop.rigs().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("rig"));
        return explorations.healthy(workshop.rig(ref), workshop.firstTester(), schemes.newest(scheme));
    }

    @Override
    public void destroy() {
        jobs.values().forEach(j -> j.stop = true);
        worker.shutdownNow();
    }
}
