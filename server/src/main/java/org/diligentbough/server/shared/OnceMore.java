package org.diligentbough.server.shared;

import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.aop.support.ComposablePointcut;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Tries a transaction once more which the database ended because it and another waited for each other. Nothing of it was kept;
 * the other is through meanwhile.
 */
@Configuration(proxyBeanMethods = false)
class OnceMore {
    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static DefaultPointcutAdvisor tryOnceMore() {
        var advisor = new DefaultPointcutAdvisor(
                new ComposablePointcut(AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class))
                        .union(AnnotationMatchingPointcut.forClassAnnotation(Transactional.class)),
                (MethodInterceptor) OnceMore::proceed);
        // Around the transaction, which is the innermost.
        advisor.setOrder(Ordered.HIGHEST_PRECEDENCE);
        return advisor;
    }

    private static Object proceed(MethodInvocation invocation) throws Throwable {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            return invocation.proceed();
        }
        MethodInvocation again = ((ProxyMethodInvocation) invocation).invocableClone();
        try {
            return invocation.proceed();
        } catch (PessimisticLockingFailureException e) {
            return again.proceed();
        }
    }
}
