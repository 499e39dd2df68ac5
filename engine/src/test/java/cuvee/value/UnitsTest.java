package cuvee.value;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class UnitsTest {
    @ParameterizedTest
    @ValueSource(
            strings = {
                "Sales (k€)",
                "Umsatz TEUR",
                "Fares £'000",
                "Turnover (EUR '000)",
                "Cost in thousands",
                "Umsatz (Tsd. EUR)",
                "Revenue ($000s)",
                "Betrag T€",
                "Revenue EUR 000",
                "Turnover (in GBP 000)",
                "Sales €000"
            })
    void aHeaderMayNameThousands(String header) {
        assertThat(Units.isInThousands(header)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Distance (miles)",
                "Account 000",
                "Amount EUR 0001",
                "Bus 000",
                "Fares (EUR)",
                "Tonnes",
                "Kilometres",
                "Keg count",
                "Teurer Tarif",
                "1,000 m time"
            })
    void otherHeadersDoNot(String header) {
        assertThat(Units.isInThousands(header)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "All amounts in thousands of EUR",
                "Angaben in TEUR",
                "Amounts in EUR '000",
                "Unit: thousand EUR",
                "Report 2026 (in Tsd.)",
                "Figures (£'000)",
                "Revenue Tarsk (in EUR 000)",
                "All figures in €000"
            })
    void aLineMaySayThousands(String line) {
        assertThat(Units.saysInThousands(line)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Thousand Isles Ferries",
                "More than a thousand trips",
                "Distances in miles",
                "Report for 2000",
                "All amounts in EUR",
                "Transfers of EUR 000123"
            })
    void otherLinesDoNot(String line) {
        assertThat(Units.saysInThousands(line)).isFalse();
    }
}
