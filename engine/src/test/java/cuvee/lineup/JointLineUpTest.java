package cuvee.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.lineup.JointLineUp.Union;
import cuvee.lineup.JointLineUp.Unit;
import cuvee.value.Convention;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Headers of a batch find each other by what stands below them; what words alone could tell is not needed. */
class JointLineUpTest {
    private static final int ROWS = 20;
    private final List<Unit> units = new ArrayList<>();
    private final Map<String, Profile> profiles = new HashMap<>();
    private final Map<String, String> heads = new HashMap<>();
    private final Random random = new Random(11);

    private static String number(double number) {
        return "\2" + number;
    }

    private static String whole(int number) {
        return "\2" + number;
    }

    private void column(String key, Function<Integer, String> cell) {
        List<String> cells = IntStream.range(0, ROWS).mapToObj(cell::apply).toList();
        profiles.merge(key, CellProfile.of(cells, Convention.DEFAULT, false), Profile::plus);
        heads.put(key, key);
    }

    private void table(String... keys) {
        units.add(new Unit(1, List.of(keys)));
    }

    private JointLineUp joint(Set<String> fixed) {
        return new JointLineUp(units, profiles, heads, List.of(), fixed, List.of());
    }

    private String vessel(int i) {
        return List.of("MV Dunlin", "MV Petrel", "MV Skua", "MV Fenwick").get(random.nextInt(4));
    }

    /** A sender with words of its own for the same three columns. */
    private void sender(String code, String name, String amount) {
        column(code, i -> "T-" + (1000 + random.nextInt(9000)));
        column(name, this::vessel);
        column(amount, i -> number(Math.round(random.nextDouble() * 90_000) / 100.0));
        table(code, name, amount);
    }

    @Test
    void sendersWithWordsOfTheirOwnAreOneColumnByTheirValues() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        sender("no", "boat", "yield");
        JointLineUp joint = joint(Set.of());
        List<Union> unions = joint.unite(0.5).unions();
        assertThat(joint.groups())
                .containsExactlyInAnyOrder(
                        Set.of("trip", "reise", "no"),
                        Set.of("vessel", "schiff", "boat"),
                        Set.of("fare", "erloes", "yield"));
        // Amounts without a word in common could be net and gross: they are asked about.
        assertThat(unions)
                .filteredOn(
                        union -> union.part().contains("erloes") || union.part().contains("yield"))
                .isNotEmpty()
                .noneMatch(Union::silent);
        assertThat(unions)
                .filteredOn(
                        union -> union.part().contains("schiff") || union.part().contains("boat"))
                .allMatch(Union::silent)
                .allMatch(union -> union.reason().contains("the same values"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void whatNoValueTellsStandsInTheOrderOfTheOthers(int seed) {
        random.setSeed(seed);
        for (String sender : List.of("", "q")) {
            boolean named = sender.isEmpty();
            column("respondent", i -> "R-" + (1000 + random.nextInt(9000)));
            column("comments", i -> "Fine with me, number " + random.nextInt(900));
            List<String> own = named ? List.of("speed", "quality", "price") : List.of("q1", "q2", "q3");
            own.forEach(question -> column(question, i -> whole(1 + random.nextInt(5))));
            table("respondent", own.get(0), own.get(1), own.get(2), "comments");
        }
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of("speed", "q1"), Set.of("quality", "q2"), Set.of("price", "q3"));
    }

    @Test
    void codesWithLettersAreHardlyThePlainNumbersOfAnotherSender() {
        for (String sender : List.of("a", "b")) {
            column("date " + sender, i -> number(100 + i + 0.5));
            column("vessel " + sender, this::vessel);
        }
        column("berth", i -> List.of("A-1", "B-4", "C-2").get(random.nextInt(3)));
        column("cancelled", i -> whole(random.nextInt(200)));
        table("date a", "vessel a", "berth");
        table("date b", "vessel b", "cancelled");
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of("berth"), Set.of("cancelled"));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 5})
    void namesAreNoDaysHoweverFewOfThemThereAre(int values) {
        for (int i = 0; i < values; i++) {
            String shop = "hire shop " + i;
            String day = "hired on " + i;
            profiles.put(shop, CellProfile.of(List.of(vessel(i)), Convention.DEFAULT, false));
            profiles.put(day, CellProfile.of(List.of("2026-01-0" + (i + 1)), Convention.DEFAULT, false));
            heads.put(shop, "Hire shop");
            heads.put(day, "Hired on");
            table(shop, "fare");
            table(day, "fare");
        }
        column("fare", i -> number(i + 0.5));
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups())
                .noneMatch(group -> group.stream().anyMatch(key -> key.startsWith("hire shop"))
                        && group.stream().anyMatch(key -> key.startsWith("hired on")));
    }

    @Test
    void columnsOfOneTableAreNeverOne() {
        column("opening", i -> whole(100 + i));
        column("closing", i -> whole(100 + i));
        table("opening", "closing");
        assertThat(joint(Set.of()).unite(0.5).unions()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "net price/gross price",
                "min depth/max depth",
                "opening stock/closing stock",
                "old meter/new meter"
            })
    void oppositesAreNeverUnitedHoweverAlikeTheirValuesAre(String pair) {
        String one = pair.substring(0, pair.indexOf('/'));
        String other = pair.substring(pair.indexOf('/') + 1);
        column(one, i -> number(100 + i + 0.25));
        column(other, i -> number(100.5 + i + 0.25));
        column("item", this::vessel);
        table("item", one);
        table("item", other);
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of(one), Set.of(other));
    }

    @Test
    void whatSaysTheOppositeOfOneHeaderOfAColumnIsNotInItThoughItIsLikeTheOthers() {
        column("adults", i -> whole(5 + i * 7 % 150));
        column("adult tickets", i -> whole(4 + i * 5 % 150));
        column("full price sold", i -> whole(6 + i * 11 % 140));
        column("half price sold", i -> whole(3 + i * 13 % 140));
        column("item", this::vessel);
        for (String sold : List.of("adults", "adult tickets", "full price sold", "half price sold")) {
            table("item", sold);
        }
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).noneMatch(group -> group.containsAll(Set.of("full price sold", "half price sold")));
    }

    @Test
    void columnsThatStandAreNotUnitedByThemselves() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        JointLineUp joint = joint(Set.of("vessel", "schiff"));
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of("vessel"), Set.of("schiff"));
    }

    @Test
    void theDayOfTheNextVisitIsNotThatOfThisOne() {
        column("inspected on", i -> "\3" + "2026-01-" + two(1 + i % 28));
        column("due again", i -> "\3" + "2026-01-" + two(2 + i % 27));
        column("stand", this::stand);
        table("stand", "due again", "inspected on");
        column("visit date", i -> "\3" + "2026-01-" + two(1 + i % 27));
        column("place", this::stand);
        table("place", "visit date");
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of("inspected on", "visit date"));
    }

    private String stand(int i) {
        return List.of("Mill Meadow", "Old Orchard", "Lime Walk").get(i % 3);
    }

    private static String two(int number) {
        return number < 10 ? "0" + number : String.valueOf(number);
    }

    @Test
    void datesOfAWholeYearAreNoDatesOfOneMonth() {
        column("visit", i -> "\3" + "2026-03-" + String.format("%02d", 1 + i));
        column("due", i -> "\3" + "2026-" + String.format("%02d", 1 + i % 12) + "-15");
        column("seen", i -> "\3" + "2026-04-" + String.format("%02d", 1 + i));
        table("visit", "due");
        table("seen");
        JointLineUp joint = joint(Set.of());
        joint.unite(0.5);
        assertThat(joint.groups()).contains(Set.of("visit", "seen"));
    }

    private String small(int i) {
        return number((30 + random.nextInt(160)) / 1000.0);
    }

    @Test
    void sharesBesideSmallPricesAreNeverUnitedUnasked() {
        column("meter", i -> "M-" + (1000 + random.nextInt(9000)));
        column("zaehler", i -> "M-" + (1000 + random.nextInt(9000)));
        column("rate", this::small);
        column("loss", this::small);
        heads.put("unitprice", "unitprice");
        profiles.put(
                "unitprice",
                CellProfile.of(IntStream.range(0, ROWS).mapToObj(this::small).toList(), Convention.DEFAULT, true));
        table("meter", "rate");
        table("zaehler", "unitprice", "loss");
        assertThat(joint(Set.of()).unite(0.5).unions())
                .filteredOn(
                        union -> union.part().contains("rate") || union.rest().contains("rate"))
                .noneMatch(Union::silent);
    }

    @Test
    void theOrderOfTheTablesChangesNothing() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        sender("no", "boat", "yield");
        JointLineUp one = joint(Set.of());
        one.unite(0.5);
        java.util.Collections.reverse(units);
        JointLineUp other = joint(Set.of());
        other.unite(0.5);
        assertThat(Set.copyOf(other.groups())).isEqualTo(Set.copyOf(one.groups()));
    }

    /** The tables so far as they are judged, each with its files. */
    private List<Belonging.Candidate> candidates(IntFunction<List<String>> filesOf) {
        return IntStream.range(0, units.size())
                .mapToObj(i -> new Belonging.Candidate(
                        "t" + i,
                        units.get(i).keys(),
                        ROWS,
                        filesOf.apply(i),
                        filesOf.apply(i).stream().map(file -> "").toList(),
                        List.of()))
                .toList();
    }

    @Test
    void aTableBelongsByWhatStandsInIt() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        sender("no", "boat", "yield");
        column("crew", i -> List.of("A. Quill", "B. Marl", "C. Vane").get(i % 3));
        column("shift", i -> List.of("early", "late").get(i % 2));
        table("crew", "shift");
        List<Belonging.Candidate> candidates = new ArrayList<>();
        for (int i = 0; i < units.size(); i++) {
            String file = i < 3 ? "returns 2026-0" + (i + 1) + ".xlsx" : "rota.xlsx";
            candidates.add(
                    new Belonging.Candidate("t" + i, units.get(i).keys(), ROWS, List.of(file), List.of(""), List.of()));
        }
        Belonging belonging = new Belonging(candidates, profiles, heads);
        assertThat(belonging.core()).containsExactlyInAnyOrder("t0", "t1", "t2");
        assertThat(belonging.likelihood("t1", belonging.core())).isGreaterThan(0.5);
        assertThat(belonging.likelihood("t3", belonging.core())).isLessThan(0.05);
    }

    @Test
    void aShorterTableOnTheSheetWhereTheOthersHaveTheirsIsLikelierTheirs() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        column("boat", i -> List.of("Heron", "Plover", "Dunlin").get(i % 3));
        table("boat");
        double[] likely = new double[2];
        for (int named = 0; named < 2; named++) {
            List<Belonging.Candidate> candidates = new ArrayList<>();
            for (int i = 0; i < units.size(); i++) {
                String sheet = i < 2 || named == 1 ? "North quay" : "Boats";
                candidates.add(new Belonging.Candidate(
                        "t" + i,
                        units.get(i).keys(),
                        ROWS,
                        List.of("returns 2026-0" + (i + 1) + ".xlsx"),
                        List.of(sheet),
                        List.of()));
            }
            likely[named] = new Belonging(candidates, profiles, heads).likelihood("t2", Set.of("t0", "t1"));
        }
        assertThat(likely[1]).isGreaterThan(likely[0] * 3);
    }

    @Test
    void aTableThatLacksSomeColumnsBelongsThoughSmallCountsHappenToDiffer() {
        for (String sender : List.of("a", "b", "c")) {
            column("boat " + sender, this::vessel);
            column(
                    "master " + sender,
                    i -> List.of("A. Quill", "B. Marl", "C. Vane").get(random.nextInt(3)));
            column("day " + sender, i -> "2026-01-" + (10 + random.nextInt(18)));
            column("crates " + sender, i -> number(random.nextInt(900) / 10.0));
            column("paid " + sender, i -> number(random.nextInt(90_000) / 100.0));
            // Each sender's differ from row to row, and mean nothing.
            column("hands " + sender, i -> whole(1 + (i * 7 + sender.charAt(0)) % 20));
            column("nets " + sender, i -> whole(1 + (i * 3 + sender.charAt(0)) % 20));
            List<String> keys = List.of("boat ", "master ", "day ", "crates ", "paid ", "hands ", "nets ");
            table(keys.subList(0, sender.equals("c") ? 5 : 7).stream()
                    .map(key -> key + sender)
                    .toArray(String[]::new));
        }
        List<Belonging.Candidate> candidates = candidates(i -> List.of("returns 2026-0" + (i + 1) + ".csv"));
        assertThat(new Belonging(candidates, profiles, heads).likelihood("t2", Set.of("t0", "t1")))
                .isGreaterThan(0.9);
    }

    @Test
    void percentPointsOfOneTableAreTheSharesOfAnother() {
        Profile shares = CellProfile.of(List.of(number(0.21), number(0.18), number(0.157)), Convention.DEFAULT, false);
        Profile points = CellProfile.of(List.of(number(21.7), whole(22), number(16.4)), Convention.DEFAULT, false);
        Profile amounts = CellProfile.of(List.of(number(21.7), whole(2200), number(16.4)), Convention.DEFAULT, false);
        assertThat(shares.holdsShares()).isTrue();
        assertThat(points.arePointsOf(shares)).isTrue();
        assertThat(points.percentPoints().kind()).isEqualTo(Profile.Kind.PERCENT);
        assertThat(amounts.arePointsOf(shares)).isFalse();
    }

    @Test
    void copiesOfAFileHaveOneSayInWhatFilesAreCalled() {
        sender("trip", "vessel", "fare");
        sender("reise", "schiff", "erloes");
        sender("no", "boat", "yield");
        List<List<String>> files = List.of(
                List.of("Log - Hollin FINAL.csv", "Copy of Log - Hollin FINAL (2).csv"),
                List.of("Log - Tarsk.csv"),
                List.of("Log - Eastray.csv"));
        List<Belonging.Candidate> candidates = candidates(files::get);
        assertThat(new Belonging(candidates, profiles, heads).likelihood("t2", Set.of("t0", "t1")))
                .isGreaterThan(0.5);
    }

    @Test
    void aWordOfTheOnlyNameThereIsSaysMoreThanNone() {
        sender("trip", "vessel", "fare");
        column("when", i -> "2026-01-" + (10 + random.nextInt(18)));
        column("boat", this::vessel);
        table("when", "boat");
        double[] likely = new double[3];
        List<String> others = List.of("Rota 2026.csv", "Log - Tarsk.csv", "south/Log - Hollin north quay.csv");
        for (int named = 0; named < others.size(); named++) {
            List<List<String>> files = List.of(List.of("Log - Hollin north quay.csv"), List.of(others.get(named)));
            likely[named] = new Belonging(candidates(files::get), profiles, heads).likelihood("t1", Set.of("t0"));
        }
        assertThat(likely[1]).isGreaterThan(likely[0] * 2).isLessThan(likely[2]);
    }

    @Test
    void theProductOfTwoColumnsIsThatOfTwoColumnsElsewhere() {
        column("days", i -> whole(2 + random.nextInt(20)));
        column("rate", i -> number((900 + random.nextInt(9000)) / 100.0));
        amounts("hire charge", true);
        table("days", "rate", "hire charge");
        column("length", i -> whole(2 + random.nextInt(20)));
        column("tariff", i -> number((900 + random.nextInt(9000)) / 100.0));
        amounts("held back", false);
        amounts("invoiced", true);
        table("length", "tariff", "held back", "invoiced");
        JointLineUp joint = joint(Set.of());
        List<Union> unions = joint.unite(0.5).unions();
        assertThat(joint.groups()).contains(Set.of("hire charge", "invoiced"), Set.of("held back"));
        assertThat(unions)
                .filteredOn(union ->
                        union.part().contains("invoiced") || union.rest().contains("invoiced"))
                .singleElement()
                .satisfies(union -> assertThat(union.reason()).contains("each is the product of two other columns"));
    }

    @Test
    void amountsWithASignAreNotThoseThatHaveNone() {
        Profile in = CellProfile.of(
                List.of(number(20.5), number(3), number(77), number(41), number(60.2), number(9), number(12)),
                Convention.DEFAULT,
                false);
        Profile signed = CellProfile.of(
                List.of(
                        number(-20.5),
                        number(3),
                        number(-77),
                        number(41),
                        number(-6),
                        number(9),
                        number(12),
                        number(-1)),
                Convention.DEFAULT,
                false);
        Profile few = CellProfile.of(List.of(number(20.5), number(3)), Convention.DEFAULT, false);
        assertThat(signed.isSignedUnlike(in)).isTrue();
        assertThat(in.isSignedUnlike(signed)).isFalse();
        assertThat(signed.isSignedUnlike(few)).as("it may be by chance").isFalse();
        assertThat(signed.isSignedUnlike(signed)).isFalse();
    }

    private void amounts(String key, boolean product) {
        column(key, i -> number(Math.round(random.nextDouble() * 90_000) / 100.0));
        profiles.computeIfPresent(
                key,
                (any, profile) ->
                        profile.workedOut(new WorkedOut(List.of(product), List.of(), Set.of(), Set.of(), Set.of())));
    }

    /** A column of numbers that is multiplied by another one of its table, to a third. */
    private void factor(String key, IntFunction<String> cell, String by, String product) {
        column(key, cell::apply);
        profiles.computeIfPresent(
                key,
                (any, profile) -> profile.workedOut(new WorkedOut(
                        List.of(false), List.of(), Set.of(new WorkedOut.Factor(by, product)), Set.of(), Set.of())));
    }

    @ParameterizedTest
    @ValueSource(strings = {"cost", "work"})
    void whatIsMultipliedByOneColumnToOneColumnIsOneColumn(String product) {
        factor("heat", i -> number(random.nextInt(9_000) / 100.0), "rate", "cost");
        factor("units", i -> number(random.nextInt(900_000) / 100.0), "rate", product);
        amounts("rate", false);
        amounts("cost", true);
        amounts("work", true);
        table("heat", "rate", "cost", "work");
        table("rate", "cost", "work", "units");
        JointLineUp joint = joint(Set.of()).unite(0.5);
        if (product.equals("work")) {
            assertThat(joint.groups()).contains(Set.of("heat"), Set.of("units"));
        } else {
            assertThat(joint.groups()).contains(Set.of("heat", "units"));
            assertThat(joint.unions())
                    .singleElement()
                    .as("arithmetic does not say whether it is net or gross: it is asked")
                    .matches(union -> !union.silent());
        }
    }

    @Test
    void whatStandsInAColumnIsToldFinely() {
        assertThat(CellProfile.of(List.of("\6" + "0.5", "\6" + "0.25"), Convention.DEFAULT, false)
                        .kind())
                .isEqualTo(Profile.Kind.PERCENT);
        assertThat(CellProfile.of(List.of("K07", "K12"), Convention.DEFAULT, false)
                        .kind())
                .isEqualTo(Profile.Kind.CODE);
        assertThat(CellProfile.of(List.of(number(5.5), "n/a", ""), Convention.DEFAULT, true)
                        .kind())
                .isEqualTo(Profile.Kind.MONEY);
        assertThat(CellProfile.of(List.of(number(0.25), number(0.5), number(0.125)), Convention.DEFAULT, false)
                        .kind())
                .isEqualTo(Profile.Kind.FRACTION);
        Profile running = CellProfile.of(List.of(whole(1), whole(2), whole(3), whole(4)), Convention.DEFAULT, false);
        assertThat(running.runningShare()).isEqualTo(1);
        assertThat(running.plus(Profile.NONE).filled).isEqualTo(4);
    }
}
