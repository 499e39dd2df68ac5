package cuvee.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** The sailings of Farsound Ferries in 2026: the same at every run. */
final class Scenario {
    static final int YEAR = 2026;
    /** Months sent at first; the one after comes later. */
    static final int MONTHS = 9;

    static final List<String> PORTS = List.of("Brannock", "Eastray", "Hollin", "Marsay", "Norhaven", "Tarsk");
    private static final Map<String, List<String>> ROUTES = routes();
    private static final List<String> VESSELS = List.of(
            "MV Aldermere", "MV Corrigan", "MV Dunlin", "MV Fenwick", "MV Grayling", "MV Petrel", "MV Sandpiper");
    private static final List<String> REMARKS = List.of(
            "fog",
            "strong wind",
            "late by 25 minutes",
            "relief crew",
            "ramp defect, repaired",
            "school party",
            "low water");
    private final List<Sailing> sailings = new ArrayList<>();

    Scenario() {
        Random random = new Random(20260101);
        for (String port : PORTS) {
            for (int month = 1; month <= MONTHS + 1; month++) {
                month(port, month, random);
            }
        }
        sailings.sort(Comparator.comparing(Sailing::port).thenComparing(Sailing::date));
    }

    private static Map<String, List<String>> routes() {
        Map<String, List<String>> routes = new LinkedHashMap<>();
        routes.put("Brannock", List.of("Brannock - Eastray", "Brannock - Skerry Isle"));
        routes.put("Eastray", List.of("Eastray - Brannock", "Eastray - Marsay", "Eastray - Norhaven"));
        routes.put("Hollin", List.of("Hollin - Tarsk", "Hollin - Grünholm"));
        routes.put("Marsay", List.of("Marsay - Eastray", "Marsay - Skerry Isle"));
        routes.put("Norhaven", List.of("Norhaven - Eastray", "Norhaven - Tarsk"));
        routes.put("Tarsk", List.of("Tarsk - Hollin", "Tarsk - Norhaven"));
        return routes;
    }

    private void month(String port, int month, Random random) {
        int days = YearMonth.of(YEAR, month).lengthOfMonth();
        int season = month >= 5 && month <= 9 ? 2 : 1;
        for (int day = 1; day <= days; day++) {
            int sailingsThatDay = 4 + random.nextInt(2);
            for (int i = 0; i < sailingsThatDay; i++) {
                sailings.add(sailing(port, LocalDate.of(YEAR, month, day), season, random));
            }
        }
    }

    private static Sailing sailing(String port, LocalDate date, int season, Random random) {
        boolean cancelled = random.nextInt(40) == 0;
        int passengers = cancelled ? 0 : (20 + random.nextInt(180)) * season;
        int vehicles = cancelled ? 0 : random.nextInt(60);
        int tenths = cancelled ? 0 : random.nextInt(1800);
        int cents = cancelled ? 0 : passengers * (900 + random.nextInt(900)) + vehicles * 3150;
        String remarks = cancelled
                ? "no sailing: " + REMARKS.get(random.nextInt(2))
                : random.nextInt(9) == 0 ? REMARKS.get(random.nextInt(REMARKS.size())) : "";
        List<String> routes = ROUTES.getOrDefault(port, List.of());
        return new Sailing(
                port,
                date,
                routes.get(random.nextInt(routes.size())),
                VESSELS.get(random.nextInt(VESSELS.size())),
                passengers,
                vehicles,
                BigDecimal.valueOf(tenths, 1),
                BigDecimal.valueOf(cents, 2),
                cancelled,
                remarks);
    }

    /** The sailings of a port in a month, in the order of their days. */
    List<Sailing> of(String port, int month) {
        return sailings.stream()
                .filter(sailing -> sailing.port().equals(port) && sailing.month() == month)
                .toList();
    }

    /** All sailings up to a month. */
    List<Sailing> upTo(int month) {
        return sailings.stream().filter(sailing -> sailing.month() <= month).toList();
    }
}
