package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.gather.Reread;
import cuvee.lineup.LineUp;
import cuvee.testing.Workbooks;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every sender spells the headers in another way, in another order, with one more or one less: the master is the same. */
class SynonymBatchesTest {
    private static final Map<String, List<String>> SPELLINGS = new LinkedHashMap<>();

    static {
        SPELLINGS.put("Sailing date", List.of("Sailing date", "sailing_date", "Sail. date", "Date", "Datum"));
        SPELLINGS.put("Port", List.of("Port", "PORT", "Harbour", "Port name"));
        SPELLINGS.put("Vessel", List.of("Vessel", "Ship", "Schiff", "Vsl"));
        SPELLINGS.put("Passengers", List.of("Passengers", "Pax", "No. of passengers", "Passangers", "Fahrgäste"));
        SPELLINGS.put("Fare revenue", List.of("Fare revenue", "FareRevenue", "Fare rev.", "Fare revenue (EUR)"));
        SPELLINGS.put("Remarks", List.of("Remarks", "Remark", "Comments", "Bemerkung"));
    }

    @TempDir
    Path folder;

    private static Object value(String column, Random random) {
        return switch (column) {
            case "Sailing date" -> LocalDate.of(2026, 1, 1).plusDays(random.nextInt(300));
            case "Port" -> List.of("Hollin", "Tarsk", "Marsay").get(random.nextInt(3));
            case "Vessel" ->
                "MV " + List.of("Dunlin", "Petrel", "Fenwick", "Grayling").get(random.nextInt(4));
            case "Passengers" -> 20 + random.nextInt(500);
            case "Fare revenue" -> 1000 + random.nextInt(9000) + 0.5;
            default -> List.of("fog", "late", "strong wind").get(random.nextInt(3));
        };
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void theMasterIsTheSameHoweverHeadersAreSpelled(int seed) {
        Random random = new Random(seed);
        Batch batch = new Batch(folder);
        List<Map<String, Object>> truth = new ArrayList<>();
        for (int file = 0; file < 4; file++) {
            List<String> columns = new ArrayList<>(SPELLINGS.keySet());
            if (file > 0 && random.nextInt(3) == 0) {
                columns.remove(1 + random.nextInt(columns.size() - 1));
            }
            if (random.nextBoolean()) {
                Collections.swap(columns, random.nextInt(columns.size()), random.nextInt(columns.size()));
            }
            List<Object[]> rows = new ArrayList<>();
            rows.add(columns.stream()
                    .map(column -> {
                        List<String> ways = SPELLINGS.getOrDefault(column, List.of(column));
                        return ways.get(random.nextInt(ways.size()));
                    })
                    .toArray());
            for (int i = 0; i < 15; i++) {
                Map<String, Object> record = new LinkedHashMap<>();
                columns.forEach(column -> record.put(column, value(column, random)));
                truth.add(record);
                rows.add(record.values().toArray());
            }
            Workbooks.workbook().sheet("Data", rows.toArray(Object[][]::new)).save(batch.file("f" + file + ".xlsx"));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).as(made.outcome().questions().toString()).hasSize(SPELLINGS.size());
        List<String> wanted = new ArrayList<>();
        truth.forEach(record -> wanted.add(sorted(record.values())));
        List<String> found = made.lines().stream()
                .map(line -> sorted(List.of(line.split("\\|"))))
                .toList();
        assertThat(found).containsExactlyInAnyOrderElementsOf(wanted);
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    private static String sorted(Iterable<?> values) {
        List<String> texts = new ArrayList<>();
        values.forEach(value -> {
            if (!value.toString().isEmpty()) {
                texts.add(value.toString());
            }
        });
        Collections.sort(texts);
        return texts.toString();
    }

    /** One sender writes a share of the price as 12.5 under a header with a percent sign, the others as 12.5%. */
    @Test
    void percentPointsStandWithPercents() {
        Batch batch = new Batch(folder);
        Random random = new Random(3);
        List<String> first = new ArrayList<>();
        List<String> second = new ArrayList<>();
        List<String> third = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            int tenths = 10 + random.nextInt(180);
            String percent = tenths / 10 + "." + tenths % 10;
            int price = 200 + random.nextInt(700);
            String animal = List.of("Dog", "Cat", "Horse").get(random.nextInt(3));
            first.add("1" + (100 + i) + "," + animal + "," + price + "," + percent + "%");
            second.add("1" + (200 + i) + "," + animal + "," + price + "," + percent + "%");
            third.add(animal + "," + percent + "," + (1 + random.nextInt(9)) + ",1" + (300 + i));
        }
        first.add(0, "Case No,Animal,Price to owner,Plan discount");
        batch.csv("a.csv", first.toArray(String[]::new));
        second.add(0, "Case No,Animal,Price to owner,Plan discount");
        batch.csv("b.csv", second.toArray(String[]::new));
        third.add(0, "Animal,Club saving (%),Swabs,Case No");
        batch.csv("c.csv", third.toArray(String[]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Case No", "Animal", "Price to owner", "Plan discount", "Swabs");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.lines())
                .allSatisfy(line ->
                        assertThat(Double.parseDouble(line.split("\\|", -1)[3])).isLessThan(0.2));
    }

    /** Each sender has a column that the other lacks: counts of the one are no distances of the other. */
    @Test
    void countsAreNotTakenForMeasurementsBecauseNothingElseIsLeft() {
        Batch batch = new Batch(folder);
        Random random = new Random(8);
        List<String> first = new ArrayList<>(List.of("Job,Run date,Service,Parcels,Price,Signed for"));
        List<String> second = new ArrayList<>(List.of("Job,Run date,Service,Parcels,Price,Distance Km"));
        for (int i = 0; i < 20; i++) {
            String service = List.of("Same hour", "Half day", "Cold box").get(random.nextInt(3));
            int parcels = 1 + random.nextInt(900);
            String price = 20 + random.nextInt(900) + "." + (10 + random.nextInt(89));
            first.add("A" + i + ",2026-01-" + (10 + i) + "," + service + "," + parcels + "," + price + ","
                    + random.nextInt(30));
            second.add("B" + i + ",2026-02-" + (10 + i % 18) + "," + service + "," + parcels + "," + price + ","
                    + random.nextInt(33) + "." + (1 + random.nextInt(9)));
        }
        batch.csv("a.csv", first.toArray(String[]::new));
        batch.csv("b.csv", second.toArray(String[]::new));
        assertThat(batch.refresh().columns())
                .containsExactlyInAnyOrder(
                        "Job", "Run date", "Service", "Parcels", "Price", "Signed for", "Distance Km");
    }

    @Test
    void ofSpellingsInOneWordAndInSeveralTheClearOneNamesTheColumn() {
        Batch batch = new Batch(folder);
        batch.csv("a.csv", "Shop,Traysdelivered,Traysback", "Quay,24,3", "Mole,31,4", "Hill,12,1");
        batch.csv("b.csv", "Shop,Trays delivered,Trays back", "Quay,22,2", "Mole,35,5", "Hill,17,0");
        assertThat(batch.refresh().columns()).containsExactly("Shop", "Trays delivered", "Trays back");
    }

    @Test
    void columnsThatAreEasilyConfusedAreNeverUnitedUnasked() {
        Batch batch = new Batch(folder);
        batch.csv("a.csv", "Item,Opening stock,Receipts,Closing stock", "Rope,5,2,7", "Buoy,6,2,8");
        batch.csv("b.csv", "Item,Opening stock,Issues,Closing stock", "Lamp,5,2,3", "Sail,6,2,4");
        batch.csv("c.csv", "Item,Net price,Opening stock", "Oar,5,2", "Mast,6,2");
        batch.csv("d.csv", "Item,Gross price,Opening stock", "Hook,5,2", "Line,6,2");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Opening stock", "Closing stock", "Net price", "Gross price");
        batch.job().assumed().stream()
                .filter(decision -> decision.kind().equals(LineUp.KIND))
                .filter(decision -> !decision.subject()
                        .equals(decision.answer().toLowerCase().replace(" ", "")))
                .forEach(decision -> assertThat(made.outcome().questions())
                        .anyMatch(question -> question.subject().equals(decision.subject())));
    }

    @Test
    void aCountIsNotTakenForAnAmountThatSharesItsWords() {
        Batch batch = new Batch(folder);
        batch.csv(
                "north.csv",
                "Show,Kids,Half price income,Adult income",
                "Comets,5,12.55,100.5",
                "Moons,6,20.45,90.25",
                "Stars,17,31.95,70.5",
                "Suns,9,18.25,60.75",
                "Dusk,11,22.15,50.5");
        batch.csv(
                "south.csv",
                "Show,Adult income,Half price sold,Child income",
                "Comets,91.5,41,731.65",
                "Moons,33.95,151,185.35",
                "Stars,32.35,18,199.95",
                "Suns,57.25,11,60.35",
                "Dawn,13.65,106,975.15");
        Batch.Made made = batch.refresh();
        String sold = "91.5";
        int kids = made.columns().indexOf("Kids");
        assertThat(made.lines())
                .filteredOn(line -> line.contains(sold))
                .singleElement()
                .satisfies(line -> assertThat(line.split("\\|", -1)[kids])
                        .as("counts with counts")
                        .isEqualTo("41"));
    }

    @Test
    void whatIsAskedIsAskedAgainAtTheNextLook() {
        Batch batch = new Batch(folder);
        for (String place : List.of("a", "b")) {
            batch.csv(
                    place + ".csv",
                    "Line,Vessel,Month,No. of passengers",
                    "Inner,Petrel,2026-01-01,1712",
                    "Outer,Skua,2026-01-01,538",
                    "Marsh,Ouzel,2026-01-01,53",
                    "Loop,Siskin,2026-01-01,267");
            batch.csv(
                    place + "2.csv",
                    "Vessel,Line,Month,People carried",
                    "Petrel,Inner,2026-02-01,120",
                    "Skua,Outer,2026-02-01,2201",
                    "Ouzel,Marsh,2026-02-01,299",
                    "Siskin,Loop,2026-02-01," + (place.equals("a") ? 45 : 46));
        }
        List<String> asked = batch.refresh().outcome().questions().stream()
                .map(question -> question.id())
                .toList();
        assertThat(batch.refresh().outcome().questions())
                .extracting(question -> question.id())
                .containsExactlyElementsOf(asked);
    }

    @Test
    void countsWhoseThousandsArePartedByPointsAreCounts() {
        Batch batch = new Batch(folder);
        List<String> plain = new ArrayList<>(List.of("Service,Zone,Parcels"));
        List<String> pointed = new ArrayList<>(List.of("Service,Zone,Packages"));
        for (int i = 0; i < 40; i++) {
            String place = List.of("Cold box", "Half day", "Overnight").get(i % 3)
                    + ","
                    + List.of("Centre", "Campus", "Heights", "Docks").get(i % 4);
            int count = 700 + i * 977 % 4000;
            plain.add(place + "," + count);
            String text = String.valueOf(700 + (count * 7 + 11) % 4000);
            pointed.add(place + "," + (text.length() > 3 ? text.charAt(0) + "." + text.substring(1) : text));
        }
        batch.csv("Eastgate.csv", plain.toArray(new String[0]));
        batch.csv("Wrenford.csv", pointed.toArray(new String[0]));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsAnyOf("Parcels", "Packages").hasSize(4);
        assertThat(made.lines()).hasSize(80).noneMatch(line -> line.contains("||"));
    }

    @Test
    void whatStandsOverAColumnInOneFileOnlyIsNoPartOfItsName() {
        Batch batch = new Batch(folder);
        for (String depot : List.of("Hollin", "Tarsk")) {
            batch.csv(
                    depot + ".csv",
                    depot + ",Order,,Sent,",
                    "Item,Qty,Value,Qty,Value",
                    "Rope,4,20,3,15",
                    "Buoy,1," + depot.length() + ",1,9",
                    "Pump,2,49,2,49");
        }
        assertThat(batch.refresh().columns())
                .startsWith("Item", "Order / Qty", "Order / Value", "Sent / Qty", "Sent / Value");
    }

    @Test
    void aColumnWhoseHeaderNamesTheYearOfEachFileIsCalledWithoutItAndKeepsItsPlace() {
        Batch batch = new Batch(folder);
        for (int year : new int[] {2024, 2025}) {
            batch.csv(
                    "fleet " + year + ".csv",
                    "Vessel,Fuel " + year + " (l),Load (%)",
                    "Dunlin," + (7000 + year) + ",50",
                    "Petrel," + (5100 + year) + ",63",
                    "Skua," + (2100 + year) + ",21");
        }
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Fuel (l)", "Load (%)", "Year");
        assertThat(batch.refresh().columns()).containsExactly("Vessel", "Fuel (l)", "Load (%)", "Year");
    }

    @Test
    void thousandsThatAHeaderSaysInBracketsAreReadInFullWhateverTheOthersCallThem() {
        Batch batch = new Batch(folder);
        List<String> plain = new ArrayList<>(List.of("Policy,Insured,Inception,Gross premium,Net premium"));
        List<String> thousands =
                new ArrayList<>(List.of("POLICY NUMBER,INSURED,INCEPTION DATE,GROSS PREM (000),NWP (000)"));
        for (int i = 0; i < 12; i++) {
            String who = List.of("Marsh Ltd", "Reed plc", "Fenn & Co").get(i % 3);
            int gross = 2000 + i * 7919 % 80000;
            plain.add("PX" + (100 + i) + "," + who + ",2026-03-" + (10 + i) + "," + gross + "," + gross * 85 / 100
                    + ".5");
            gross = 2000 + i * 6131 % 80000;
            thousands.add("PZ" + (100 + i) + "," + who + ",2026-03-" + (10 + i) + "," + gross / 1000.0 + ","
                    + gross * 85 / 100_000.0);
        }
        batch.csv("bdx x.csv", plain.toArray(new String[0]));
        batch.csv("bdx z.csv", thousands.toArray(new String[0]));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Policy", "Insured", "Inception", "Gross premium", "Net premium");
        assertThat(made.lines()).anyMatch(line -> line.startsWith("PZ101|Reed plc|2026-03-11|8131|"));
    }

    @Test
    void degreesMilesAndInchesAreNeverWhatTheOthersMeasure() {
        Batch batch = new Batch(folder);
        List<String> one = new ArrayList<>(List.of("Date,Station,Temp (°C),Wind (km/h),Rain (mm)"));
        List<String> other = new ArrayList<>(List.of("Date,Station,Temp (°F),Wind (mph),Rain (in)"));
        for (int i = 0; i < 12; i++) {
            one.add("2026-01-" + (10 + i) + ",Hollin," + (i - 3.5) + "," + (5 + 4 * i) + "," + i * 0.9);
            other.add("2026-01-" + (10 + i) + ",Marsay," + (27.5 + i) + "," + (3 + 3 * i) + "," + i * 0.04);
        }
        batch.csv("a.csv", one.toArray(String[]::new));
        batch.csv("b.csv", other.toArray(String[]::new));
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .contains("Temp (°C)", "Temp (°F)", "Wind (km/h)", "Wind (mph)", "Rain (mm)", "Rain (in)");
        assertThat(made.findings("units-apart"))
                .extracting(Finding::what)
                .hasSize(3)
                .anyMatch(what -> what.contains("differ in their unit only, and no table has both"));
    }

    @Test
    void theLesserOfTwoAmountsIsNeverTheGreaterOfAnother() {
        Batch batch = new Batch(folder);
        Random random = new Random(3);
        invoices(batch, "Hollin", "Day,Buyer,Zumo,Zumo plus", 100, random);
        invoices(batch, "Tarsk", "Day,Buyer,Zumo,Zumo plus", 100, random);
        // Its lesser amounts are as great as the greater ones of the others.
        invoices(batch, "Oska", "Day,Buyer,Kern,Hulle", 120, random);
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .startsWith("Day", "Buyer", "Zumo", "Zumo plus")
                .doesNotContain("Kern");
        assertThat(made.outcome().questions())
                .filteredOn(question -> question.text().contains("Kern"))
                .allSatisfy(question -> assertThat(question.assumed()).isNotEqualTo("Zumo plus"));
        assertThat(made.outcome().questions())
                .filteredOn(question -> question.text().contains("Hulle"))
                .allSatisfy(question -> assertThat(question.assumed()).isNotEqualTo("Zumo"));
    }

    private static void invoices(Batch batch, String name, String header, int least, Random random) {
        List<String> lines = new ArrayList<>(List.of(header));
        for (int i = 0; i < 16; i++) {
            int cents = least * 50 + random.nextInt(least * 100);
            lines.add("2026-03-%02d,%s,%.2f,%.2f"
                    .formatted(i + 1, i % 2 == 0 ? "Aske" : "Brill", cents / 100.0, cents * 1.2 / 100));
        }
        batch.csv(name + ".csv", lines.toArray(String[]::new));
    }

    @Test
    void amountsWithASignAndDebitsAndCreditsArePointedOutWithWhatMakesThemOne() {
        Batch batch = new Batch(folder);
        batch.csv("a.csv", "Date,Details,Amount", "2026-03-01,Aske,12.5", "2026-03-02,Brill,-7", "2026-03-03,Aske,-1");
        for (String bank : List.of("b", "c")) {
            batch.csv(
                    bank + ".csv",
                    "Date,Details,Debit,Credit",
                    "2026-03-04,Aske " + bank + ",3.5,",
                    "2026-03-05,Brill,,8",
                    "2026-03-06,Carrow,2,");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.findings("movements-apart"))
                .singleElement()
                .satisfies(found -> assertThat(found.text())
                        .contains("make a column in Rework: Amount, else Credit, else 0 - Debit"));
        batch.settle(Kinds.MADE, "Movement", "Amount, else Credit, else 0 - Debit");
        assertThat(batch.refresh().lines())
                .anyMatch(line -> line.startsWith("2026-03-02|Brill|") && line.contains("|-7"))
                .anyMatch(line -> line.startsWith("2026-03-04|Aske b|") && line.contains("|-3.5"))
                .anyMatch(line -> line.startsWith("2026-03-05|Brill|") && line.contains("|8|8"));
    }

    @Test
    void unitsOfDifferentThingsAreNeverOneColumn() {
        Batch batch = new Batch(folder);
        batch.csv("Hollin.csv", "Well,Depth (m),Temp (°C),Flow (l/s)", "H1,30.4,10.4,1.1", "H2,31.4,9.9,1.2");
        batch.csv("Tarsk.csv", "Well,Depth (m),Temp (°C),Flow (l/s)", "T1,32.4,11.5,1.3", "T2,33.4,8.4,1.4");
        batch.csv("Oska.csv", "Well,Depth,Temp,Flow", ",ft,°F,l/s", "O1,105.2,49.5,1.2", "O2,98.7,51.2,1.1");
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .contains("Depth (m)", "Temp (°C)", "Depth (ft)", "Temp (°F)", "Flow (l/s)")
                .doesNotContain("Temp °F");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void poundsAreNeverKilograms() {
        Batch batch = new Batch(folder);
        for (String unit : List.of("lb", "kg")) {
            List<String> lines = new ArrayList<>(List.of("Shipment,Shipped,Carrier,Weight (" + unit + "),Cost"));
            for (int i = 0; i < 12; i++) {
                lines.add(unit + (500 + i) + ",2026-01-" + (10 + i) + ",Fleet " + (i % 2) + "," + (10.5 + 3 * i) + ","
                        + (20.25 + 7 * i));
            }
            batch.csv("shipments " + unit + ".csv", lines.toArray(String[]::new));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Weight (kg)", "Weight (lb)").contains("Cost");
        assertThat(made.outcome().rows()).isEqualTo(24);
    }
}
