package prantel.server.practice;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.fault.FaultCatalogue;
import prantel.core.quantity.Check;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.web.Refusal;
import prantel.server.workshop.Drills;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** How somebody gets on over drills and kinds of fault: theirs, and the one assessor's to whom they show it. */
@Service
class PracticeProgress {
    private final PracticeMapper mapper;
    private final Practices practices;
    private final Drills drills;
    private final Accounts accounts;
    private final JsonMapper json;

    PracticeProgress(PracticeMapper mapper, Practices practices, Drills drills, Accounts accounts, JsonMapper json) {
        this.mapper = mapper;
        this.practices = practices;
        this.drills = drills;
        this.accounts = accounts;
        this.json = json;
    }

    /**
     * @param shownTo the assessor who sees it too; null for nobody
     * @param assessors to whom it can be shown
     */
    record Progress(
            String person,
            List<DrillProgress> drills,
            List<KindProgress> kinds,
            @Nullable String shownTo,
            List<PersonChoice> assessors) {}

    /** @param goes how often it was finished @param clean how often with nothing wrong @param due when it is worth doing again */
    record DrillProgress(
            String title,
            int goes,
            int clean,
            LocalDate last,
            @Nullable LocalDate due) {}

    /** @param met how often the kind was on the rig @param named how often it was named */
    record KindProgress(String title, int met, int named) {}

    record PersonChoice(String id, String name) {}

    Progress of(String account) {
        return new Progress(
                accounts.nameOf(account), drills(account), kinds(account), mapper.shownTo(account), assessors(account));
    }

    private List<DrillProgress> drills(String account) {
        List<Practices.PracticePast> past = practices.past(account).stream()
                .filter(p -> p.purpose() == Practices.Purpose.OWN
                        && p.endedAt() != null
                        && !p.drill().isEmpty())
                .toList();
        Map<String, LocalDate> due = practices.due(past);
        Map<String, List<Practices.PracticePast>> byDrill = new LinkedHashMap<>();
        past.forEach(
                p -> byDrill.computeIfAbsent(p.drill(), d -> new ArrayList<>()).add(p));
        List<DrillProgress> all = new ArrayList<>();
        byDrill.forEach((drill, goes) -> all.add(new DrillProgress(
                drills.find(drill).map(d -> d.title()).orElse(drill),
                goes.size(),
                (int) goes.stream().filter(Practices.PracticePast::isClean).count(),
                goes.getFirst().startedAt().toLocalDate(),
                due.get(drill))));
        return all;
    }

    private List<KindProgress> kinds(String account) {
        Map<String, int[]> metAndNamed = new LinkedHashMap<>();
        for (String kinds : mapper.kinds(account)) {
            json.readValue(kinds, new TypeReference<List<PracticeResults.KindMet>>() {})
                    .forEach(k -> {
                        int[] count = metAndNamed.computeIfAbsent(k.kind(), x -> new int[2]);
                        count[0]++;
                        count[1] += k.named() ? 1 : 0;
                    });
        }
        List<KindProgress> all = new ArrayList<>();
        metAndNamed.forEach((kind, count) ->
                all.add(new KindProgress(FaultCatalogue.kind(kind).title(), count[0], count[1])));
        return all;
    }

    private List<PersonChoice> assessors(String account) {
        return accounts.who(r -> r == Role.ASSESSOR || r == Role.LEAD).stream()
                .filter(a -> !a.accountId().equals(account))
                .map(a -> new PersonChoice(a.accountId(), a.name()))
                .toList();
    }

    /** @param assessor empty to show it to nobody any more */
    @Transactional
    public Progress show(String account, String assessor) {
        mapper.hide(account);
        if (!assessor.isEmpty()) {
            Check.that(
                    assessors(account).stream().anyMatch(a -> a.id().equals(assessor)),
                    "not-an-assessor",
                    "assessor",
                    Check.quoted(assessor),
                    "choose an assessor of this workshop");
            mapper.show(account, assessor);
        }
        return of(account);
    }

    /** Who shows theirs to somebody. */
    List<PersonChoice> shownTo(String assessor) {
        return mapper.whoShows(assessor).stream()
                .map(accounts::get)
                .filter(Account::isActive)
                .map(a -> new PersonChoice(a.accountId(), a.name()))
                .toList();
    }

    /** Somebody's, for the assessor to whom they show it; for anybody else it is not there. */
    Progress shownBy(String account, String assessor) {
        if (!assessor.equals(mapper.shownTo(account))) {
            throw Refusal.notFound("progress");
        }
        Progress all = of(account);
        return new Progress(all.person(), all.drills(), all.kinds(), all.shownTo(), List.of());
    }
}
