package app.loculus.app.store;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.ibatis.mapping.SqlSource;
import org.apache.ibatis.scripting.xmltags.XMLLanguageDriver;
import org.apache.ibatis.session.Configuration;

/** Spells the columns of a row out: {@code {columns}} and {@code {values}} stand for the components of its record. */
public class RowColumns extends XMLLanguageDriver {

    @Override
    public SqlSource createSqlSource(Configuration configuration, String script, Class<?> row) {
        String columns =
                joined(row, c -> c.getName().replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT));
        String values = joined(row, c -> "#{" + c.getName() + "}");
        return super.createSqlSource(
                configuration, script.replace("{columns}", columns).replace("{values}", values), row);
    }

    private static String joined(Class<?> row, Function<RecordComponent, String> what) {
        return Arrays.stream(row.getRecordComponents()).map(what).collect(Collectors.joining(", "));
    }
}
