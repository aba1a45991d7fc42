package org.diligentbough.server.shared;

import java.sql.Array;
import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.apache.ibatis.type.Alias;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.diligentbough.core.knowledge.Codes;

/**
 * Lists of numbers, of words and of codes as PostgreSQL arrays. Written by {@code #{kit,typeHandler=array}}; read as the
 * record's component has it.
 */
@Alias("array")
public class ArrayTypeHandler extends BaseTypeHandler<List<?>> {
    private final Function<Object, Object> read;

    /** For writing, and for numbers and words. */
    public ArrayTypeHandler() {
        this(Object.class);
    }

    @SuppressWarnings({"unchecked", "rawtypes"})
    ArrayTypeHandler(Class<?> element) {
        this.read = element.isEnum()
                ? code -> new CodeTypeHandler(element.asSubclass(Enum.class)).value((String) code)
                : Function.identity();
    }

    /** Whether lists of these are arrays; others are JSON. */
    static boolean holds(Class<?> element) {
        return element == Long.class || element == Double.class || element == String.class || element.isEnum();
    }

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, List<?> values, JdbcType jdbcType)
            throws SQLException {
        if (values.isEmpty()) {
            // Of what nothing is left to the column.
            statement.setObject(index, "{}", Types.OTHER);
            return;
        }
        Object first = values.get(0);
        String type = first instanceof Double ? "float8" : first instanceof Long ? "int8" : "text";
        Object[] elements = values.stream()
                .map(value -> value instanceof Enum<?> one ? Codes.of(one) : value)
                .toArray();
        statement.setArray(index, statement.getConnection().createArrayOf(type, elements));
    }

    @Override
    public List<?> getNullableResult(ResultSet row, String column) throws SQLException {
        return read(row.getArray(column));
    }

    @Override
    public List<?> getNullableResult(ResultSet row, int index) throws SQLException {
        return read(row.getArray(index));
    }

    @Override
    public List<?> getNullableResult(CallableStatement call, int index) throws SQLException {
        return read(call.getArray(index));
    }

    private List<?> read(Array array) throws SQLException {
        return array == null
                ? null
                : Stream.of((Object[]) array.getArray()).map(read).toList();
    }
}
