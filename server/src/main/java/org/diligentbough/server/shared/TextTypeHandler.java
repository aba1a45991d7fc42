package org.diligentbough.server.shared;

import java.sql.CallableStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.apache.ibatis.type.BaseTypeHandler;

/** What a column keeps as text and a record has as something else. */
abstract class TextTypeHandler<T> extends BaseTypeHandler<T> {

    /** What the text stands for; null for null. */
    abstract T value(String text);

    @Override
    public T getNullableResult(ResultSet row, String column) throws SQLException {
        return value(row.getString(column));
    }

    @Override
    public T getNullableResult(ResultSet row, int index) throws SQLException {
        return value(row.getString(index));
    }

    @Override
    public T getNullableResult(CallableStatement call, int index) throws SQLException {
        return value(call.getString(index));
    }
}
