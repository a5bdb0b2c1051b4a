package prantel.core.assessment;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import prantel.core.scheme.About;

/**
 * The time a candidate has used. It starts when the candidate has confirmed, runs while the sheet is open and stands still for
 * every {@link Pause}, and while the assessor takes faults out before a live stage; while the rig is live it counts as the live
 * stage's.
 */
public record StageClock(Used dead, Used live, Used all, State state) {
    /** What it does at this moment. */
    public enum State {
        RUNS,
        /** The sheet is not open yet, or not any more. */
        CLOSED,
        /** The sheet is open, and the candidate has not confirmed. */
        NOT_CONFIRMED,
        /** For a pause, with its reason. */
        HALTED,
        /** The assessor takes faults out, and proves them out. */
        AT_THE_RIG
    }

    /** @param allowed with extra time; zero for no limit */
    public record Used(Duration gone, Duration allowed) {
        /** Time left; negative beyond the limit. @throws IllegalStateException without a limit */
        public Duration left() {
            if (!isLimited()) {
                throw new IllegalStateException("no limit");
            }
            return allowed.minus(gone);
        }

        public boolean isLimited() {
            return !allowed.isZero();
        }

        public boolean isOver() {
            return isLimited() && gone.compareTo(allowed) > 0;
        }
    }

    private record Interval(OffsetDateTime from, OffsetDateTime to) {
        Duration length() {
            return to.isAfter(from) ? Duration.between(from, to) : Duration.ZERO;
        }

        Interval and(Interval other) {
            return new Interval(from.isAfter(other.from) ? from : other.from, to.isBefore(other.to) ? to : other.to);
        }
    }

    /** @param now by the server's clock: a tablet's may be wrong */
    public static StageClock of(Assessment assessment, About.Times times, OffsetDateTime now) {
        Conduct conduct = assessment.conduct();
        List<Interval> work = without(
                without(intervals(conduct.open(), now), pauses(conduct, now)), intervals(conduct.atTheRig(), now));
        List<Interval> powered = intervals(conduct.live(), now);
        Duration all = sum(work);
        Duration live = Duration.ZERO;
        for (Interval w : work) {
            for (Interval l : powered) {
                live = live.plus(w.and(l).length());
            }
        }
        Duration dead = all.minus(live);
        Conduct.Continued before = conduct.continued();
        if (before != null) {
            dead = dead.plusSeconds(before.deadSeconds());
            live = live.plusSeconds(before.liveSeconds());
        }
        double factor = conduct.adjustment().timeFactor();
        return new StageClock(
                new Used(dead, allowed(times.dead(), factor)),
                new Used(live, allowed(times.live(), factor)),
                new Used(dead.plus(live), allowed(times.all(), factor)),
                state(conduct));
    }

    private static State state(Conduct conduct) {
        if (conduct.times().opened().isPresent()) {
            return State.NOT_CONFIRMED;
        }
        if (!isLasting(conduct.open())) {
            return State.CLOSED;
        }
        return conduct.pause().isPresent()
                ? State.HALTED
                : isLasting(conduct.atTheRig()) ? State.AT_THE_RIG : State.RUNS;
    }

    private static boolean isLasting(List<Conduct.Span> spans) {
        return !spans.isEmpty() && spans.getLast().to().isEmpty();
    }

    private static Duration allowed(int minutes, double factor) {
        return Duration.ofSeconds(Math.round(minutes * 60 * factor));
    }

    private static List<Interval> intervals(List<Conduct.Span> spans, OffsetDateTime now) {
        return spans.stream()
                .map(s -> new Interval(s.from(), s.to().orElse(now)))
                .toList();
    }

    private static List<Interval> pauses(Conduct conduct, OffsetDateTime now) {
        return conduct.pauses().stream()
                .map(p -> new Interval(p.from(), p.to().orElse(now)))
                .toList();
    }

    /** What is left of some times when others are taken out; the latter do not overlap. */
    private static List<Interval> without(List<Interval> times, List<Interval> out) {
        List<Interval> left = new ArrayList<>();
        for (Interval time : times) {
            OffsetDateTime from = time.from();
            for (Interval o : out) {
                if (o.to().isAfter(from) && o.from().isBefore(time.to())) {
                    left.add(new Interval(from, o.from()));
                    from = o.to();
                }
            }
            left.add(new Interval(from, time.to()));
        }
        return left;
    }

    private static Duration sum(List<Interval> intervals) {
        return intervals.stream().map(Interval::length).reduce(Duration.ZERO, Duration::plus);
    }
}
