package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.decision.Kinds;
import cuvee.decision.Turned;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan;
import cuvee.master.MasterPlan.Spelling;
import cuvee.propose.Proposal;
import cuvee.rework.Codes;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.ValueRule;
import cuvee.tell.Sentence;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** A column that is called otherwise is the same column: whatever was decided about it, and about others, holds. */
class RenamingTest {
    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void files() {
        batch = new Batch(folder)
                .csv(
                        "a.csv",
                        "Date,Port,Weight,Weight in kg,Fare",
                        "03.02.2026,hollin  quay,5,5000,\"1,204\"",
                        "04.02.2026,TARSK,6,6000,\"2,500\"",
                        "04.02.2026,TARSK,6,6000,\"2,500\"")
                .csv(
                        "b.csv",
                        "Date,Port,Weight,Weight in kg,Fare",
                        "05.03.2026,Hollin Quay,7,7000,\"3,100\"",
                        "06.03.2026,Marsay,8,,4.5");
    }

    static Stream<Arguments> decisions() {
        return Stream.of(
                of("a type", job -> Board.type(job, "Weight in kg", Type.TEXT.word())),
                of("how dates are written", job -> Board.convention(job, Kinds.DATE_ORDER, "Date", "a.csv", "month")),
                of(
                        "how numbers are written",
                        job -> Board.convention(job, Kinds.DECIMAL_MARK, "Fare", "b.csv", "comma")),
                of(
                        "how numbers of a longer name are written",
                        job -> Board.convention(job, Kinds.DECIMAL_MARK, "Weight in kg", "b.csv", "comma")),
                of("the sign of all columns", job -> Board.decimalSign(job, "a.csv", "comma")),
                of("how yes and no are written", job -> Board.yesNoWords(job, "Port", new YesNoWords("Ja", "Nein"))),
                of("spelling", job -> Board.spelling(job, "Port", Spelling.FIRST_CAPITAL)),
                of("a text written as another", job -> ValueRule.write(job, "Port", List.of("TARSK"), "Tarsk")),
                of(
                        "names for codes",
                        job -> Codes.these("Port", Map.of("TARSK", "Tarsk Roads"))
                                .put(job)),
                of("a column left out", job -> Board.leaveOut(job, "Weight", true)),
                of("a made column", job -> MadeColumns.make(job, "year", "year of Date")),
                of("a column changed in its place", job -> MadeColumns.make(job, "Weight", "Weight * 2")),
                of("rows by a phrase", job -> RowRules.byPhrase(job, "Port is TARSK, Weight over 5", false)),
                of("equal rows", job -> RowRules.equal(job, List.of("Port", "Weight in kg"), RowRules.KEEP_FIRST)),
                of("the order of rows", job -> Shapings.sortedBy(job, "Port", true)),
                of(
                        "values that become columns",
                        job -> Shapings.toColumns(
                                job,
                                "Port",
                                cuvee.master.Shaping.How.COUNT,
                                "Weight",
                                List.of("Date", "Weight in kg"))),
                of("rows that are numbered", job -> Shapings.numbered(job, "No.")),
                of("a sheet's row kept", job -> RowRules.putBack(job, "a.csv", "", 2)));
    }

    private static Arguments of(String said, UnaryOperator<Job> decides) {
        return Arguments.of(said, decides);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("decisions")
    void holds(String said, UnaryOperator<Job> decides) {
        batch.refresh();
        batch.job(decides.apply(batch.job()));
        Batch.Made before = batch.refresh();
        assertThat(before.findings("not-followed")).isEmpty();
        List<String> told = new ArrayList<>(names(before));
        told.retainAll(List.of("Port", "Weight", "year", "No."));
        for (String column : told) {
            Job decided = batch.job();
            batch.job(rename(before, column, "Q " + column + " in all"));
            Batch.Made after = batch.refresh();
            assertThat(after.lines()).as("with %s called otherwise", column).isEqualTo(before.lines());
            assertThat(types(after)).isEqualTo(types(before));
            assertThat(kinds(after)).isEqualTo(kinds(before));
            List<String> names = new ArrayList<>(names(before));
            Collections.replaceAll(names, column, "Q " + column + " in all");
            assertThat(names(after)).isEqualTo(names);
            batch.job(decided);
        }
    }

    private Job rename(Batch.Made made, String name, String newName) {
        return Board.rename(batch.job(), made.outcome().proposal().lineUp(), Set.copyOf(names(made)), name, newName);
    }

    /** The columns of the master before values become columns. */
    private static List<String> names(Batch.Made made) {
        return made.outcome().proposal().columns().stream()
                .map(Proposal.ColumnReport::name)
                .toList();
    }

    private static List<Type> types(Batch.Made made) {
        return made.outcome().plan().columns().stream()
                .map(MasterPlan.Column::type)
                .toList();
    }

    private static List<String> kinds(Batch.Made made) {
        return made.outcome().findings().stream().map(finding -> finding.kind()).toList();
    }

    @Test
    void deliveriesGoByTheColumnUnderItsNewName() {
        List<Delivery> by = List.of(
                new Delivery("a", "out/{Port}/{month}.csv", new Delivery.Each("Port", "Date")),
                new Delivery("b", "b.xlsx", new Delivery.Tab("Data", Delivery.How.MATCH, List.of("Date", "Port"))),
                new Delivery(
                        "c",
                        "postgresql://me@host/{Port}",
                        new Delivery.Table("trips", Delivery.How.NEW, List.of("Port"))),
                new Delivery("d", "d.xlsx", new Delivery.Prepared("p.xlsx", "Port", "Date", "Port")),
                new Delivery("e", "copies", new Delivery.Copies(List.of(new Delivery.Change("Port", "Port", "Pier")))));
        Batch.Made made = batch.refresh();
        batch.job(batch.job().withDeliveries(by));
        batch.job(rename(made, "Port", "Harbour"));
        assertThat(batch.job().deliveries())
                .containsExactly(
                        new Delivery("a", "out/{Harbour}/{month}.csv", new Delivery.Each("Harbour", "Date")),
                        new Delivery(
                                "b",
                                "b.xlsx",
                                new Delivery.Tab("Data", Delivery.How.MATCH, List.of("Date", "Harbour"))),
                        new Delivery(
                                "c",
                                "postgresql://me@host/{Port}",
                                new Delivery.Table("trips", Delivery.How.NEW, List.of("Harbour"))),
                        new Delivery("d", "d.xlsx", new Delivery.Prepared("p.xlsx", "Harbour", "Date", "Harbour")),
                        new Delivery(
                                "e",
                                "copies",
                                new Delivery.Copies(List.of(new Delivery.Change("Harbour", "Port", "Pier")))));
    }

    @Test
    void aColumnWhoseNameBeginsAnotherTakesNothingOfItAlong() {
        batch.refresh();
        batch.job(Board.type(batch.job(), "Weight in kg", Type.TEXT.word()));
        Batch.Made made = batch.refresh();
        batch.job(rename(made, "Weight", "Load"));
        Batch.Made after = batch.refresh();
        assertThat(after.columns()).containsExactly("Date", "Port", "Load", "Weight in kg", "Fare");
        assertThat(types(after).get(3)).isEqualTo(Type.TEXT);
    }

    @Test
    void namesOfTurnedColumnsMayHoldTheWordsOfASentence() {
        Batch tanks = new Batch(folder.resolve("tanks"))
                .csv("t.csv", "Depot,Goes into store,Diesel,Oil", "Hollin,x,1,2", "Tarsk,y,3,4");
        tanks.refresh();
        tanks.settle(
                Kinds.ACROSS,
                "depot|goes into store|diesel|oil",
                Turned.allBut(List.of("Depot", "Goes into store"), List.of("Poured into tank", "Litres | all")));
        Batch.Made made = tanks.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Goes into store", "Poured into tank", "Litres | all");
        assertThat(made.lines()).startsWith("Hollin|x|Diesel|1", "Hollin|x|Oil|2");
        Sentence sentence = made.outcome().sentences().get(0);
        assertThat(sentence.names()).containsExactly("Poured into tank", "Litres | all");
        tanks.settle(sentence.kind(), sentence.subject(), sentence.answer(List.of("Put into | tank", "Litres")));
        assertThat(tanks.refresh().columns()).contains("Depot", "Goes into store", "Put into | tank", "Litres");
    }

    @Test
    void rowsAreEqualInColumnsWhoseNamesHoldBars() {
        Batch bars = new Batch(folder.resolve("bars")).csv("a.csv", "Port | pier,Pax", "A,1", "A,2", "B,3");
        bars.refresh();
        bars.job(RowRules.equal(bars.job(), List.of("Port | pier"), RowRules.KEEP_FIRST));
        assertThat(bars.refresh().outcome().ruledOut().get(0)).isNotEmpty();
        assertThat(Names.splitTexts(Names.joinTexts(List.of("a | b", "c \\ d", "\\\\host\\share"))))
                .containsExactly("a | b", "c \\ d", "\\\\host\\share");
    }
}
