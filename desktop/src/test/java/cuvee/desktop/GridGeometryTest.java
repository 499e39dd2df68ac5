package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.GridModel;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Where rows and columns lie: a board of ten columns of 100, the first two pinned, every third line of two lines. */
class GridGeometryTest {
    private final GridGeometry at = new GridGeometry();
    private final GridModel board = new GridModel() {
        @Override
        public long rows() {
            return 300;
        }

        @Override
        public int columns() {
            return 10;
        }

        @Override
        public int pinned() {
            return 2;
        }

        @Override
        public boolean isTall(long row) {
            return row % 3 == 0;
        }

        @Override
        public String title(int column) {
            return "c" + column;
        }

        @Override
        public String subtitle(int column) {
            return "";
        }

        @Override
        public double width(int column) {
            return 100;
        }

        @Override
        public boolean numeric(int column) {
            return true;
        }

        @Override
        public String text(long row, int column) {
            return "";
        }
    };

    @BeforeEach
    void room() {
        at.setColumns(board, false);
        at.setRoom(500, 400, 0, 28, 0);
        at.setScroll(0, 0);
    }

    @Test
    void pinnedColumnsStayWhileTheOthersAreScrolled() {
        at.setScroll(250, 0);
        assertThat(at.left(0)).isZero();
        assertThat(at.left(1)).isEqualTo(100);
        assertThat(at.left(2)).isEqualTo(-50);
        assertThat(at.columnAt(150)).isEqualTo(1);
        assertThat(at.columnAt(201)).isEqualTo(4);
        assertThat(at.firstScrolled()).isEqualTo(4);
        assertThat(at.isBeyond(6)).isFalse();
        assertThat(at.isBeyond(7)).isTrue();
    }

    @Test
    void aColumnIsRevealedAsAWholeBesideThePinnedOnes() {
        assertThat(at.revealing(9)).isEqualTo(500);
        at.setScroll(500, 0);
        assertThat(at.left(9) + at.width(9)).isEqualTo(500);
        assertThat(at.revealing(2)).isZero();
        assertThat(at.revealing(0)).isEqualTo(500);
    }

    @Test
    void rowsOfOneAndTwoLinesAreFoundUnderTheirHeight() {
        assertThat(at.rowAt(board, 29)).isZero();
        assertThat(at.rowAt(board, 28 + 44)).isEqualTo(1);
        assertThat(at.rowAt(board, 28 + 44 + 26)).isEqualTo(2);
        assertThat(at.top(board, 3)).isEqualTo(28 + 44 + 26 + 26);
        at.setScroll(0, 297);
        assertThat(at.rowAt(board, 29)).isEqualTo(297);
        assertThat(at.rowAt(board, 390)).isGreaterThanOrEqualTo(300);
    }

    @Test
    void theLastRowCanBeBroughtIntoViewAsAWhole() {
        long first = at.firstEndingAt(board, 299);
        at.setScroll(0, first);
        assertThat(at.top(board, 299) + GridGeometry.height(board, 299)).isLessThanOrEqualTo(at.bottom());
        assertThat(first + at.wholeFrom(board, first)).isEqualTo(300);
    }

    @Test
    void theFootTakesItsRoomFromTheRows() {
        long without = at.wholeFrom(board, 0);
        at.setRoom(500, 400, 0, 28, 60);
        assertThat(at.wholeFrom(board, 0)).isLessThan(without);
    }

    @Test
    void aBorderUnderThePinnedColumnsIsNotTakenHoldOf() {
        at.setScroll(150, 0);
        assertThat(at.borderAt(100)).isZero();
        assertThat(at.borderAt(200)).isEqualTo(1);
        assertThat(at.borderAt(150)).isNegative();
        assertThat(at.borderAt(250)).isEqualTo(3);
    }

    @Test
    void roomThatIsLeftGoesToColumnsWhoseTextsAreCut() {
        at.setRoom(1100, 400, 0, 28, 0);
        at.stretch(board, column -> column == 3 ? 160 : 80);
        assertThat(at.width(3)).isEqualTo(160);
        assertThat(at.width(4)).isEqualTo(100);
        at.stretch(board, column -> column == 3 || column == 4 ? 200 : 80);
        assertThat(at.width(3)).as("shared where it is not enough").isEqualTo(150);
        assertThat(at.width(4)).isEqualTo(150);
        at.setWidth(3, 60);
        at.stretch(board, column -> 160);
        assertThat(at.width(3)).as("as the analyst has made it").isEqualTo(60);
        at.setRoom(500, 400, 0, 28, 0);
        at.stretch(board, column -> 160);
        assertThat(at.width(4)).as("no room is left").isEqualTo(100);
    }
}
