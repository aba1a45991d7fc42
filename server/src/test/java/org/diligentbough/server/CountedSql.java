package org.diligentbough.server;

import java.util.concurrent.atomic.LongAdder;
import org.apache.ibatis.executor.Executor;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.apache.ibatis.session.ResultHandler;
import org.apache.ibatis.session.RowBounds;
import org.springframework.stereotype.Component;

/** Counts the statements that requests make, so that tests can hold a page to as many for many trees as for few. */
@Component
@Intercepts({
    @Signature(
            type = Executor.class,
            method = "query",
            args = {MappedStatement.class, Object.class, RowBounds.class, ResultHandler.class}),
    @Signature(
            type = Executor.class,
            method = "update",
            args = {MappedStatement.class, Object.class})
})
class CountedSql implements Interceptor {
    private static final LongAdder STATEMENTS = new LongAdder();

    static long statements() {
        return STATEMENTS.sum();
    }

    @Override
    public Object intercept(Invocation invocation) throws Throwable {
        // Of requests only: what works in the background looks for work at any time.
        if (Thread.currentThread().getName().contains("-exec-")) {
            STATEMENTS.increment();
        }
        return invocation.proceed();
    }
}
