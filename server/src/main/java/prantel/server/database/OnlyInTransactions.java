package prantel.server.database;

import org.apache.ibatis.executor.Executor;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * No mapper writes outside a transaction: only a commit is followed by the disk ({@link DurableTransactions}), and what is
 * acknowledged without it is gone with the next power cut.
 */
@Component
@Intercepts(
        @Signature(
                type = Executor.class,
                method = "update",
                args = {MappedStatement.class, Object.class}))
class OnlyInTransactions implements Interceptor {
    @Override
    public Object intercept(Invocation invocation) throws Throwable {
        if (!TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException(((MappedStatement) invocation.getArgs()[0]).getId()
                    + " writes outside a transaction: it would not be on disk when it is acknowledged");
        }
        return invocation.proceed();
    }
}
