package cuvee.audit;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.refresh.Batch;
import cuvee.tell.Outcome;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Errors as senders make them, put into folders of returns that are right otherwise. Each is pointed out without being
 * asked for, in the file it was made in; a folder without errors is left in peace.
 */
class SeededErrorsTest {
    private static final List<String> PORTS = List.of("Hollin", "Tarsk", "Marsay", "Oska");
    private static final List<String> BOATS = List.of("Dunlin", "Petrel", "Skua", "Fenwick");
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-06-05T08:00:00Z"), ZoneOffset.UTC);
    private static final int SEEDS = 2;

    @TempDir
    Path folder;

    /** An error, made in one file of a folder. */
    enum Error {
        /** A record is missing that the total below counts. */
        LOST_ROW {
            @Override
            String in(Returns returns, Random random) {
                String file = returns.any(random);
                returns.records(file)
                        .remove(1 + random.nextInt(returns.records(file).size() - 2));
                return file;
            }
        },
        /** A file was saved again under the name of another month. */
        DOUBLED_FILE {
            @Override
            String in(Returns returns, Random random) {
                String port = PORTS.get(random.nextInt(PORTS.size()));
                String twin = fileOf(port, YearMonth.of(2026, 1 + random.nextInt(4)));
                String file = fileOf(port, YearMonth.of(2026, 5));
                returns.lines.put(file, new ArrayList<>(returns.lines.get(twin)));
                return file;
            }
        },
        /** A total does not add up what stands above it. */
        WRONG_SUBTOTAL {
            @Override
            String in(Returns returns, Random random) {
                String file = returns.any(random);
                List<String> lines = returns.lines.get(file);
                String[] cells = lines.get(lines.size() - 1).split(",", -1);
                cells[4] = money(Double.parseDouble(cells[4]) + 10 + random.nextInt(90));
                lines.set(lines.size() - 1, String.join(",", cells));
                return file;
            }
        },
        /** The decimal mark of an amount stands two places further on. */
        MOVED_DECIMAL {
            @Override
            String in(Returns returns, Random random) {
                String file = returns.any(random);
                List<String> records = returns.records(file);
                int at = random.nextInt(records.size());
                String[] cells = records.get(at).split(",", -1);
                cells[4] = money(Double.parseDouble(cells[4]) * 100);
                records.set(at, String.join(",", cells));
                return file;
            }
        },
        /** A file holds the rows of another month than its name says. */
        WRONG_MONTH {
            @Override
            String in(Returns returns, Random random) {
                String file = returns.any(random);
                String port = file.substring(0, file.indexOf(' '));
                YearMonth said = YearMonth.parse(file.substring(file.indexOf(' ') + 1, file.indexOf('.')));
                YearMonth held = said.plusMonths(said.getMonthValue() < 4 ? 6 : -3);
                returns.lines.put(file, returns.of(port, held, random));
                return file;
            }
        },
        /** Some rows of the month before slipped into a file. */
        ROWS_OF_ANOTHER_MONTH {
            @Override
            String in(Returns returns, Random random) {
                String file = returns.any(random);
                YearMonth said = YearMonth.parse(file.substring(file.indexOf(' ') + 1, file.indexOf('.')));
                List<String> records = returns.records(file);
                for (int i = 0; i < 3; i++) {
                    records.set(
                            i,
                            said.minusMonths(2).atDay(11 + i) + records.get(i).substring(10));
                }
                return file;
            }
        };

        /** Makes the error and says in which file. */
        abstract String in(Returns returns, Random random);
    }

    private static String money(double amount) {
        return String.format(Locale.ROOT, "%.2f", amount);
    }

    private static String fileOf(String port, YearMonth month) {
        return port + " " + month + ".csv";
    }

    /** The files of a folder, each as its lines: a header, records, a total. */
    private static final class Returns {
        private final Map<String, List<String>> lines = new LinkedHashMap<>();
        private int trip = 10_000;

        Returns(Random random) {
            for (String port : PORTS) {
                for (int month = 1; month <= 5; month++) {
                    lines.put(fileOf(port, YearMonth.of(2026, month)), of(port, YearMonth.of(2026, month), random));
                }
            }
        }

        List<String> of(String port, YearMonth month, Random random) {
            List<String> made = new ArrayList<>(List.of("Sailing date,Trip,Vessel,Passengers,Fare"));
            int passengers = 0;
            double fares = 0;
            int records = 14 + random.nextInt(12) + port.length();
            for (int i = 0; i < records; i++) {
                LocalDate day = month.atDay(1 + i * month.lengthOfMonth() / records);
                int pax = 20 + random.nextInt(300);
                double fare = Math.round(pax * (9 + random.nextInt(8)) * 100 + random.nextInt(100)) / 100.0;
                passengers += pax;
                fares += fare;
                made.add(day + "," + trip++ + ",MV " + BOATS.get(random.nextInt(BOATS.size())) + "," + pax + ","
                        + money(fare));
            }
            made.add("Total,,," + passengers + "," + money(fares));
            return made;
        }

        String any(Random random) {
            return List.copyOf(lines.keySet()).get(random.nextInt(lines.size()));
        }

        /** The records of a file, without its header and total. */
        List<String> records(String file) {
            List<String> all = lines.get(file);
            return all.subList(1, all.size() - 1);
        }

        void save(Batch batch) {
            lines.forEach((file, all) -> batch.csv(file, all.toArray(String[]::new)));
        }
    }

    private Outcome refreshed(Returns returns, int seed) {
        Batch batch = new Batch(folder.resolve(String.valueOf(seed)), CLOCK);
        returns.save(batch);
        return batch.refresh().outcome();
    }

    /** What an analyst would read of a file: findings and questions that name it. */
    private static List<String> said(Outcome outcome, String file) {
        List<String> said = new ArrayList<>();
        outcome.findings().stream()
                .filter(finding -> finding.severity() != Severity.NOTICE)
                .map(Finding::text)
                .forEach(said::add);
        outcome.questions().stream().map(Question::text).forEach(said::add);
        outcome.questions().stream()
                .map(question -> question.where() + ": " + question.text())
                .forEach(said::add);
        return said.stream().filter(text -> text.contains(file)).toList();
    }

    @ParameterizedTest
    @EnumSource(Error.class)
    void anErrorIsPointedOutInTheFileItWasMadeIn(Error error) {
        for (int seed = 0; seed < SEEDS; seed++) {
            Random random = new Random(seed * 31L + error.ordinal());
            Returns returns = new Returns(random);
            String file = error.in(returns, random);
            Outcome outcome = refreshed(returns, seed);
            assertThat(said(outcome, file))
                    .as(error + " in " + file + ", seed " + seed + "; said: " + outcome.findings())
                    .isNotEmpty();
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void aFolderWithoutErrorsIsLeftInPeace(int seed) {
        Outcome outcome = refreshed(new Returns(new Random(seed)), seed);
        assertThat(outcome.questions()).isEmpty();
        assertThat(outcome.findings())
                .filteredOn(finding -> finding.severity() != Severity.NOTICE)
                .isEmpty();
    }
}
