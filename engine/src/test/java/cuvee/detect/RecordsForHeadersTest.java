package cuvee.detect;

import static cuvee.detect.Drawings.readAsDrawn;

import org.junit.jupiter.api.Test;

/** A record is no header, however many words it holds; a header with a number in it stays one. */
class RecordsForHeadersTest {
    @Test
    void aCodeAndNamesAmongNumbersAreARecord() {
        readAsDrawn("""
                r| D-301 | Fenn | Rope | 12 | 40.5
                r| D-302 | Fenn | Lamp | 3 | 18.25
                r| D-303 | Hollin | Buoy | 7 | 96
                """);
    }

    @Test
    void theLastOfSeveralRecordsIsOneToo() {
        readAsDrawn("""
                r| D-301 | Fenn | Rope | 2026-03-01
                r| D-302 | Fenn | Lamp | 2026-03-02
                """);
    }

    @Test
    void aYearOverNumbersIsTheNameOfItsColumn() {
        readAsDrawn("""
                h| Site | Manager | 2026
                r| Fenn | Ada Quill | 12
                r| Hollin | Ben Rook | 31
                r| Tarsk | Cy Vane | 7
                """);
    }

    @Test
    void aNumberAmongWordsThatStandOverNumbersIsAName() {
        readAsDrawn("""
                h| Site | Pieces | Taken | 4711
                r| Fenn | 12 | 40.5 | 3
                r| Hollin | 31 | 18.25 | 9
                r| Tarsk | 7 | 96 | 4
                """);
    }

    @Test
    void headersThatAreCalledLikeTheirCodesStayHeaders() {
        readAsDrawn("""
                h| Berth 1 | Berth 2 | Berth 3
                r| MV Petrel | MV Dunlin | MV Skua
                r| MV Tern | MV Petrel | MV Auk
                """);
    }
}
