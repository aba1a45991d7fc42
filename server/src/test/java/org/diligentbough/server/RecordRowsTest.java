package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.mapping.ResultMap;
import org.apache.ibatis.session.SqlSessionFactory;
import org.junit.jupiter.api.Test;

/** Rows are read by columns known beforehand. */
class RecordRowsTest {
    @Test
    void everyRecordThatAMapperReadsSaysTheColumnOfEachComponent() {
        List<ResultMap> records = Stream.of(TestServer.part(SqlSessionFactory.class)
                        .getConfiguration()
                        .getMappedStatements()
                        .toArray())
                .filter(MappedStatement.class::isInstance)
                .flatMap(statement -> ((MappedStatement) statement).getResultMaps().stream())
                .filter(map -> map.getType().isRecord())
                .toList();
        assertThat(records).hasSizeGreaterThan(60);
        assertThat(records).allSatisfy(map -> assertThat(map.getConstructorResultMappings())
                .as(map.getId())
                .hasSize(map.getType().getRecordComponents().length));
    }
}
