package cuvee.lineup;

import java.util.Arrays;
import java.util.stream.IntStream;

/** Gives each row at most one column so that the scores add up to the most (Kuhn, 1955; in the form of Jonker and Volgenant). */
final class Assignment {
    private Assignment() {}

    /** The column of each row; -1 for a row that gets none, or none with a score above 0. */
    static int[] best(double[][] scores) {
        int[] wanted = wanted(scores);
        double[][] fewer = new double[scores.length][wanted.length];
        for (int i = 0; i < scores.length; i++) {
            for (int j = 0; j < wanted.length; j++) {
                fewer[i][j] = scores[i][wanted[j]];
            }
        }
        return Arrays.stream(ofAll(fewer))
                .map(column -> column < 0 ? column : wanted[column])
                .toArray();
    }

    /** The columns that any row has a score above 0 for; the others are nobody's. */
    private static int[] wanted(double[][] scores) {
        int columns = scores.length == 0 ? 0 : scores[0].length;
        return IntStream.range(0, columns)
                .filter(j -> Arrays.stream(scores).anyMatch(row -> row[j] > 0))
                .toArray();
    }

    private static int[] ofAll(double[][] scores) {
        int rows = scores.length;
        int columns = rows == 0 ? 0 : scores[0].length;
        int size = Math.max(rows, columns);
        double[] rowPrice = new double[size + 1];
        double[] columnPrice = new double[size + 1];
        int[] rowOf = new int[size + 1];
        int[] way = new int[size + 1];
        for (int row = 1; row <= size; row++) {
            rowOf[0] = row;
            int column = 0;
            double[] least = new double[size + 1];
            Arrays.fill(least, Double.POSITIVE_INFINITY);
            boolean[] used = new boolean[size + 1];
            do {
                used[column] = true;
                int at = rowOf[column];
                double delta = Double.POSITIVE_INFINITY;
                int next = 0;
                for (int j = 1; j <= size; j++) {
                    if (!used[j]) {
                        double score = at <= rows && j <= columns ? scores[at - 1][j - 1] : 0;
                        double reduced = -score - rowPrice[at] - columnPrice[j];
                        if (reduced < least[j]) {
                            least[j] = reduced;
                            way[j] = column;
                        }
                        if (least[j] < delta) {
                            delta = least[j];
                            next = j;
                        }
                    }
                }
                for (int j = 0; j <= size; j++) {
                    if (used[j]) {
                        rowPrice[rowOf[j]] += delta;
                        columnPrice[j] -= delta;
                    } else {
                        least[j] -= delta;
                    }
                }
                column = next;
            } while (rowOf[column] != 0);
            do {
                int before = way[column];
                rowOf[column] = rowOf[before];
                column = before;
            } while (column != 0);
        }
        int[] best = new int[rows];
        Arrays.fill(best, -1);
        for (int j = 1; j <= columns; j++) {
            int row = rowOf[j];
            if (row >= 1 && row <= rows && scores[row - 1][j - 1] > 0) {
                best[row - 1] = j - 1;
            }
        }
        return best;
    }
}
