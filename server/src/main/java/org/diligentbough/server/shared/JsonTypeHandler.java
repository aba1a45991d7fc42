package org.diligentbough.server.shared;

import java.lang.reflect.Type;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import org.apache.ibatis.type.Alias;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.MappedTypes;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a jsonb column holds. Written by {@code #{cuts,typeHandler=json}}; read as the record's component has it. */
@Component
@Alias("json")
@MappedTypes(JsonNode.class)
public class JsonTypeHandler extends TextTypeHandler<Object> {
    private final JsonMapper json;
    private final Type type;

    @Autowired
    JsonTypeHandler(JsonMapper json) {
        this(json, JsonNode.class);
    }

    JsonTypeHandler(JsonMapper json, Type type) {
        this.json = json;
        this.type = type;
    }

    @Override
    public void setNonNullParameter(PreparedStatement statement, int index, Object value, JdbcType jdbcType)
            throws SQLException {
        statement.setObject(index, json.writeValueAsString(value), Types.OTHER);
    }

    @Override
    Object value(String text) {
        return text == null ? null : json.readValue(text, json.constructType(type));
    }
}
