package org.diligentbough.server.shared;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.mapping.ResultFlag;
import org.apache.ibatis.mapping.ResultMap;
import org.apache.ibatis.mapping.ResultMapping;
import org.apache.ibatis.reflection.SystemMetaObject;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.SqlSessionFactory;
import org.apache.ibatis.type.TypeHandler;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads rows into records by columns that are known beforehand. Left to itself MyBatis compares for each row the name of
 * every column with that of every component, which for a table of forty columns costs more than the query.
 */
@Component
class RecordRows implements SmartInitializingSingleton {
    private final SqlSessionFactory sessions;
    private final JsonMapper json;

    RecordRows(SqlSessionFactory sessions, JsonMapper json) {
        this.sessions = sessions;
        this.json = json;
    }

    @Override
    public void afterSingletonsInstantiated() {
        Configuration configuration = sessions.getConfiguration();
        for (Object statement : configuration.getMappedStatements()) {
            // Short names that several mappers share stand for none of them.
            if (statement instanceof MappedStatement mapped
                    && !mapped.getResultMaps().isEmpty()) {
                List<ResultMap> maps = mapped.getResultMaps().stream()
                        .map(map -> map.getType().isRecord() ? byColumns(configuration, map) : map)
                        .toList();
                SystemMetaObject.forObject(mapped).setValue("resultMaps", maps);
            }
        }
    }

    private ResultMap byColumns(Configuration configuration, ResultMap map) {
        List<ResultMapping> arguments = new ArrayList<>(Stream.of(map.getType().getRecordComponents())
                .map(component -> new ResultMapping.Builder(
                                configuration, component.getName(), column(component.getName()), component.getType())
                        .flags(List.of(ResultFlag.CONSTRUCTOR))
                        .typeHandler(handler(component))
                        .build())
                .toList());
        return new ResultMap.Builder(configuration, map.getId(), map.getType(), arguments, false).build();
    }

    /** For lists, and for what is kept as JSON; null leaves it to MyBatis. */
    private TypeHandler<?> handler(RecordComponent component) {
        Class<?> type = component.getType();
        if (type == List.class
                && component.getGenericType() instanceof ParameterizedType list
                && list.getActualTypeArguments()[0] instanceof Class<?> element
                && ArrayTypeHandler.holds(element)) {
            return new ArrayTypeHandler(element);
        }
        boolean kept =
                type == List.class || type == Map.class || type.isRecord() || JsonNode.class.isAssignableFrom(type);
        return kept ? new JsonTypeHandler(json, component.getGenericType()) : null;
    }

    /** {@code surveyedOn} is read from {@code surveyed_on}. */
    private static String column(String component) {
        return component.replaceAll("([A-Z])", "_$1").toLowerCase();
    }
}
