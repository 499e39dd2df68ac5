package cuvee.gather;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.value.Type;
import cuvee.value.Typing;
import org.junit.jupiter.api.Test;

/** Facts as they lie beside kept rows. */
class FactsJsonTest {
    /** As the first version wrote them, with nothing that came later. */
    private static final String KEPT = """
            {"path":"Tarsk.csv","home":"","size":27,"modified":0,"sum":"ab12","sheets":[{"id":2,"width":4,"name":"",
            "form":"commas, UTF-8","hidden":false,"lastRow":3,"columns":2,"tables":[{"first":2,"last":3,"blanks":0,
            "header":[1],"sure":true,"runs":[2,2],"aside":[],"columns":[
            {"index":0,"header":"Vessel","named":true,"sum":0.0,"counts":{"WORDS":2},
            "measures":[0,0,0,0,0,0,0,0,0,0,0,0,0,0],"odd":{"MV Dunlin":2}},
            {"index":1,"header":"Pax","named":true,"sum":12.0,"counts":{"DIGITS":2},
            "measures":[1,0,0,0,0,0,0,0,0,0,0,0,0,0],"odd":{}}]}]}]}
            """;

    @Test
    void whatAnEarlierVersionKeptIsRead() {
        SourceFacts facts = FactsJson.read(KEPT).orElseThrow();
        assertThat(facts.rows()).isEqualTo(2);
        assertThat(facts.sheets().get(0).tables().get(0).columns())
                .extracting(column -> Typing.decide(column.evidence(), true).type())
                .containsExactly(Type.TEXT, Type.WHOLE_NUMBER);
    }

    @Test
    void writtenAndReadItIsTheSame() {
        String written = FactsJson.write(FactsJson.read(KEPT).orElseThrow());
        assertThat(FactsJson.write(FactsJson.read(written).orElseThrow())).isEqualTo(written);
    }

    @Test
    void whatIsNoneIsNothing() {
        assertThat(FactsJson.read("{\"path\": ")).isEmpty();
    }
}
