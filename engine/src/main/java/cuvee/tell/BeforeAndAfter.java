package cuvee.tell;

import cuvee.master.SheetReader;
import cuvee.place.Where;
import java.util.List;

/**
 * The first rows of a table as its sheet has them and as the master has them.
 *
 * @param before cells of the sheet, from the header on
 * @param columns the master's columns that the table feeds
 * @param after cells of the master; empty where there is none
 */
public record BeforeAndAfter(
        Where where, List<SheetReader.Line> before, List<String> columns, List<List<String>> after) {}
