package org.diligentbough.server.shared;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import org.apache.ibatis.type.JdbcType;
import org.diligentbough.core.knowledge.Codes;

/** Values of enums as the codes of the open files: {@code WITH_CARE} is kept as "with-care". */
public class CodeTypeHandler<E extends Enum<E>> extends TextTypeHandler<E> {
    private final Class<E> type;

    public CodeTypeHandler(Class<E> type) {
        this.type = type;
    }

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, E value, JdbcType jdbcType)
            throws SQLException {
        statement.setString(index, Codes.of(value));
    }

    /** @throws IllegalArgumentException when a table holds a code the product has not */
    @Override
    E value(String code) {
        return code == null
                ? null
                : Codes.parse(type, code)
                        .orElseThrow(() -> new IllegalArgumentException(code + " is no " + type.getSimpleName()));
    }
}
