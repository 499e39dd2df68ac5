package cuvee.demo;

import java.math.BigDecimal;
import java.time.LocalDate;

/**
 * One sailing, the truth before any port writes it down its own way.
 *
 * @param freight tonnes, one decimal
 * @param revenue fares in euros, two decimals
 * @param remarks empty where there are none
 */
record Sailing(
        String port,
        LocalDate date,
        String route,
        String vessel,
        int passengers,
        int vehicles,
        BigDecimal freight,
        BigDecimal revenue,
        boolean cancelled,
        String remarks) {

    int month() {
        return date.getMonthValue();
    }
}
