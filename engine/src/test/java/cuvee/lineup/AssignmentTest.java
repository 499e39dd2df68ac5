package cuvee.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AssignmentTest {
    @Test
    void theBestOfAllTogetherIsFoundNotTheBestOfEach() {
        assertThat(Assignment.best(new double[][] {{3, 2.9}, {2.9, 0}})).containsExactly(1, 0);
    }

    @Test
    void whatScoresNothingGetsNothing() {
        assertThat(Assignment.best(new double[][] {{0, 0}, {0, 1}})).containsExactly(-1, 1);
        assertThat(Assignment.best(new double[][] {{1, 2, 3}})).containsExactly(2);
        assertThat(Assignment.best(new double[][] {{1}, {2}, {3}})).containsExactly(-1, -1, 0);
        assertThat(Assignment.best(new double[0][])).isEmpty();
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void itIsAsGoodAsTryingAllWays(int seed) {
        Random random = new Random(seed);
        int rows = 1 + random.nextInt(5);
        int columns = 1 + random.nextInt(5);
        double[][] scores = new double[rows][columns];
        for (double[] row : scores) {
            for (int j = 0; j < columns; j++) {
                row[j] = random.nextInt(10);
            }
        }
        int[] best = Assignment.best(scores);
        double sum = 0;
        for (int i = 0; i < rows; i++) {
            sum += best[i] < 0 ? 0 : scores[i][best[i]];
        }
        assertThat(sum).isEqualTo(most(scores, 0, new boolean[columns]));
    }

    private static double most(double[][] scores, int row, boolean[] used) {
        if (row == scores.length) {
            return 0;
        }
        double most = most(scores, row + 1, used);
        for (int j = 0; j < used.length; j++) {
            if (!used[j]) {
                used[j] = true;
                most = Math.max(most, scores[row][j] + most(scores, row + 1, used));
                used[j] = false;
            }
        }
        return most;
    }
}
