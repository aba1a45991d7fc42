package org.diligentbough.server.shared;

import java.sql.Array;
import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedJdbcTypes;
import org.apache.ibatis.type.MappedTypes;

/** Lists of numbers as PostgreSQL arrays. */
@MappedTypes(List.class)
@MappedJdbcTypes(value = JdbcType.ARRAY, includeNullJdbcType = true)
public class DoubleListTypeHandler extends BaseTypeHandler<List<Double>> {

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, List<Double> values, JdbcType jdbcType)
            throws SQLException {
        statement.setArray(index, statement.getConnection().createArrayOf("float8", values.toArray()));
    }

    @Override
    public List<Double> getNullableResult(ResultSet row, String column) throws SQLException {
        return read(row.getArray(column));
    }

    @Override
    public List<Double> getNullableResult(ResultSet row, int index) throws SQLException {
        return read(row.getArray(index));
    }

    @Override
    public List<Double> getNullableResult(CallableStatement call, int index) throws SQLException {
        return read(call.getArray(index));
    }

    private static List<Double> read(Array array) throws SQLException {
        return array == null ? null : List.of((Double[]) array.getArray());
    }
}
