package cuvee.layout;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HeaderWordsTest {
    @ParameterizedTest
    @CsvSource({
        "Remark, Remarks",
        "Passengers, Passangers",
        "Passengers, Pax",
        "No. of passengers, Passengers",
        "Passenger count, PAX",
        "Vessel, Vsl",
        "Fare rev., Fare revenue",
        "FareRevenue, Fare revenue",
        "Qty, Quantity",
        "Fahrgäste, Passengers",
        "Kunde, Customer",
        "Fare revenue (EUR), Fare revenue",
        "Dept., Department",
        "Crates lost, Loss of crates",
        "Csot of crate, Cost of crate",
        "Grown-ups, Adults",
        "Adulttakings, Adult income",
        "No. of men, Males",
        "Women, Females",
        "Begins, Start",
        "Balance b/f, Opening balance",
        "Balance carried forward, Closing balance",
        "Beginning stock, Opening stock",
        "Given name, Forename",
        "Last name, Surname",
        "Despatched, Sent",
        "Lowest reading, Min reading",
        "Actuals, Outturn",
        "Lng, Longitude",
        "Price excl. VAT, Net price",
        "Fee including tax, Gross fee",
    })
    void headersThatPeopleTakeForTheSameAreAlike(String a, String b) {
        assertThat(HeaderWords.likeness(a, b)).isGreaterThanOrEqualTo(0.78);
        assertThat(HeaderWords.likeness(b, a)).isGreaterThanOrEqualTo(0.78);
    }

    @ParameterizedTest
    @CsvSource({
        "Net price, Gross price",
        "Start date, End date",
        "Planned hours, Actual hours",
        "Origin port, Destination port",
        "Fare revenue EUR, Fare revenue USD",
        "Adults, Children",
        "Customer name, Customer code",
        "Opening stock, Closing stock",
        "Full price sold, Half price sold",
        "Weekday trips, Weekend trips",
        "Honey kg, Honey value",
        "Catch weight, Catch price",
        "Adulttakings, Child takings",
        "Halfpriceincome, Full price income",
        "Days, Tariff/day",
        "Day, Rate per day",
        "Days, Daily price",
        "Hours, Hourly_wage",
        "Day, Day rate",
        "Litres, Price per litre",
        "Fuel litres, Fuel tonnes",
        "Trays delivered, Trays back",
        "Trays sent, Trays wanted",
        "Hired on, Back on",
        "Lent, Returned",
        "Date out, Return date",
        "Trays requested, Trays received",
        "Distance km, Load kg",
        "Distance (miles), Way km",
        "No. of men, Females",
        "Begins, Ends",
        "From, End date",
        "Date to, Start date",
        "Brought forward, Closing balance",
        "Carried forward, Opening stock",
        "Beginning stock, Closing stock",
        "First name, Surname",
        "Forename, Family name",
        "Qty in, Sent",
        "Despatched, In",
        "Out, Received",
        "Actuals, Target",
        "Lowest, Maximum",
        "High, Min temp",
        "Date opened, Date closed",
        "Latitude, Longitude",
        "Length, Width",
        "Joined, Left",
        "Check-in, Check-out",
        "Basic hours, Overtime hours",
        "Sender, Recipient",
        "Approved, Rejected",
        "Present, Absent",
        "Excl. VAT, Incl. VAT",
        "Fee incl. delivery, Fee excl. delivery",
    })
    void oppositesAreNeverAlike(String a, String b) {
        assertThat(HeaderWords.likeness(a, b)).isZero();
        assertThat(HeaderWords.opposed(a, b)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "Invoice date, Due date",
        "Vessel, Remarks",
        "Fare revenue, Freight revenue",
        "Hours, Overtime hours",
        "Crates lost, Cost per crate",
        "Rate paid, Date paid",
        "Out, Outturn",
        "Sale, Salesman",
        "Net, Network",
        "Cost, Costume",
        "Amount in GBP, Amount sent",
    })
    void whatOnlySharesAWordIsNotTheSame(String a, String b) {
        assertThat(HeaderWords.likeness(a, b)).isLessThan(0.78);
    }

    @ParameterizedTest
    @CsvSource({"Brought forward, Opening balance", "c/f, Closing stock", "Starting balance, Start", "Temp max, Highest"
    })
    void partOfWhatAnotherHeaderSaysIsLikeIt(String part, String whole) {
        assertThat(HeaderWords.compare(part, whole).contained()).isTrue();
        assertThat(HeaderWords.likeness(part, whole)).isGreaterThanOrEqualTo(0.45);
    }

    @Test
    void inBetweenTwoWordsIsNoOppositeOfOut() {
        assertThat(HeaderWords.opposed("Amount in GBP", "Amount sent")).isFalse();
        assertThat(HeaderWords.opposed("Amount in GBP", "Paid out")).isFalse();
        assertThat(HeaderWords.opposed("Qty in", "Qty out")).isTrue();
    }

    @Test
    void theUnitInBracketsSaysWhatIsMeasured() {
        assertThat(HeaderWords.opposed("Miles ridden (km)", "Distance km")).isFalse();
        assertThat(HeaderWords.compare("Miles ridden (km)", "Distance km").opposed())
                .isFalse();
        assertThat(HeaderWords.opposed("Miles ridden", "Distance km")).isTrue();
    }

    @Test
    void aUnitAloneIsLikeWhatHasItInBracketsUnlessManyColumnsHaveIt() {
        for (String[] pair : new String[][] {{"Days", "Duration (Days)"}, {"Tonnes", "Weight (t)"}}) {
            HeaderWords.Compared compared = HeaderWords.compare(pair[0], pair[1]);
            assertThat(compared.contained()).as(pair[0]).isTrue();
            assertThat(compared.opposed()).isFalse();
            assertThat(compared.like()).isBetween(0.5, 0.7);
        }
        assertThat(HeaderWords.compare("EUR", "Fare (EUR)").contained()).isFalse();
        assertThat(HeaderWords.compare("Days", "Duration (hours)").contained()).isFalse();
    }

    @Test
    void aWordWithAnotherBeforeItIsLikeThatWord() {
        assertThat(HeaderWords.likeness("Bodyweight", "Weight kg")).isGreaterThan(0.45);
        assertThat(HeaderWords.likeness("Rechnungsbetrag", "Betrag")).isGreaterThan(0.45);
        assertThat(HeaderWords.likeness("Overweight", "Weight")).isZero();
        assertThat(HeaderWords.likeness("Discount", "Count")).isZero();
    }

    @Test
    void aWordOverSeveralColumnsDoesNotTellWhichOfThemIsMeant() {
        double other = HeaderWords.compare("Crates / Broken", "No. of crates").like();
        assertThat(HeaderWords.compare("Crates / Crates landed", "No. of crates")
                        .like())
                .isGreaterThan(other + 0.2);
        assertThat(HeaderWords.compare("Fares / Foot", "Foot fares").like()).isGreaterThan(0.6);
        assertThat(HeaderWords.compare("Fares / Fares paid", "Fares paid").like())
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"Rate per day, Daily rate", "Monthly rent, Rent per month", "Yearly fee, Annual fee"})
    void aPriceForEachDayIsADailyPrice(String a, String b) {
        assertThat(HeaderWords.likeness(a, b)).isGreaterThanOrEqualTo(0.9);
    }

    @Test
    void aDateInOneWordWithWhatHappensOnItSaysBoth() {
        assertThat(HeaderWords.compare("Datelanded", "Landed on").contained()).isTrue();
        assertThat(HeaderWords.compare("Datelanded", "Landed on").like())
                .isGreaterThan(
                        HeaderWords.compare("Datelanded", "Next landing date").like());
    }

    @ParameterizedTest
    @CsvSource({"Inspected on, Inspection date", "Date landed, Landing date", "Treatments, Treated on"})
    void whatIsDoneIsTheSameHoweverItIsSaid(String a, String b) {
        assertThat(HeaderWords.compare(a, b).contained()).isTrue();
        assertThat(HeaderWords.compare(a, b).sharesTellingWord()).isTrue();
    }

    @Test
    void moneyIsOfAnotherSortThanWhatIsMeasured() {
        assertThat(HeaderWords.otherSort("Billed", "Load / Weight Kg")).isTrue();
        assertThat(HeaderWords.otherSort("Fare revenue", "Duration (hours)")).isTrue();
        assertThat(HeaderWords.otherSort("Billed", "Charge")).isFalse();
        assertThat(HeaderWords.otherSort("Price per kg", "Weight")).isTrue();
        assertThat(HeaderWords.otherSort("Tariff price/day", "Hours")).isTrue();
        assertThat(HeaderWords.otherSort("Cost / Weight (kg)", "Weight Kg"))
                .as("a heading over it")
                .isFalse();
        assertThat(HeaderWords.otherSort("Weight share", "Weight")).isTrue();
        assertThat(HeaderWords.otherSort("Number of boxes", "Fee")).isTrue();
        assertThat(HeaderWords.otherSort("Things", "Weight")).as("nobody knows").isFalse();
        assertThat(HeaderWords.otherSort("Kids", "Half price sold"))
                .as("its last word says what it is")
                .isFalse();
        assertThat(HeaderWords.otherSort("Vehicle no", "Crew")).as("a name").isFalse();
    }

    @ParameterizedTest
    @CsvSource({
        "Compost bags, Losses",
        "Price per kWh, % lost",
        "Crew, Vehicles",
        "Adults, Boxes",
        "Fee, Rejected",
        "Share of the whole, Litres",
        "Failed, Trays",
        "Females, Fee",
        "Fuel cost EUR, Crew"
    })
    void sortsOfValuesAreNeverOneOfAnother(String one, String other) {
        assertThat(HeaderWords.otherSort(one, other)).isTrue();
        assertThat(HeaderWords.otherSort(other, one)).isTrue();
        assertThat(HeaderWords.otherSort(one, one)).isFalse();
    }

    @Test
    void initialsStandForTheirWords() {
        assertThat(HeaderWords.likeness("FR", "Fare revenue")).isGreaterThan(0.7);
        assertThat(HeaderWords.likeness("FX", "Fare revenue")).isLessThan(0.3);
    }

    @Test
    void slipsCountLettersChangedLeftOutPutInOrSwapped() {
        assertThat(WordSense.slips("vessel", "vessel")).isZero();
        assertThat(WordSense.slips("vessel", "vesel")).isEqualTo(1);
        assertThat(WordSense.slips("vessel", "vesesl")).isEqualTo(1);
        assertThat(WordSense.slips("vessel", "bessels")).isEqualTo(2);
    }

    @Test
    void headersOfOtherMeaningsDiffer() {
        assertThat(HeaderWords.differ("Vehicles", "Pax")).isTrue();
        assertThat(HeaderWords.differ("Fahrzeuge", "Vehicles")).isFalse();
        assertThat(HeaderWords.differ("Ausfall", "Cancelled")).isFalse();
    }

    @Test
    void whatIsMeasuredInPoundsIsNeverWhatIsMeasuredInKilograms() {
        assertThat(HeaderWords.opposed("Weight (lb)", "Weight (kg)")).isTrue();
        assertThat(HeaderWords.compare("Weight (lb)", "Weight (kg)").opposed()).isTrue();
        assertThat(HeaderWords.opposed("Duration (hours)", "Duration (min)")).isTrue();
        assertThat(HeaderWords.opposed("Weight", "Weight (kg)")).isFalse();
        assertThat(HeaderWords.opposed("Fare (EUR)", "Fare (EUR)")).isFalse();
    }

    @Test
    void aWordOfItsOwnAbbreviatesNoOther() {
        assertThat(HeaderWords.compare("Cost", "Consumption").sharesTellingWord())
                .isFalse();
        assertThat(HeaderWords.compare("Psngr", "Passenger").sharesTellingWord())
                .isTrue();
    }

    @Test
    void anOppositeIsSeenWhereTheSpaceBeforeItIsLost() {
        assertThat(HeaderWords.opposed("Trays Ordered", "Trayssent")).isTrue();
        assertThat(HeaderWords.opposed("Present", "Ordered"))
                .as("no word before it")
                .isFalse();
    }

    @Test
    void whichOneItIsSaysNothingOfItsSort() {
        assertThat(HeaderWords.compare("Patient ref", "Patient type").opposed()).isTrue();
        assertThat(HeaderWords.compare("Case number", "Case kind").opposed()).isTrue();
        assertThat(HeaderWords.compare("Ticket number", "Ticket").modifier()).isFalse();
        assertThat(HeaderWords.compare("Ticket number", "Ticket ref").opposed()).isFalse();
    }
}
