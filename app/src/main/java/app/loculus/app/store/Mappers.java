package app.loculus.app.store;

import app.loculus.app.store.disk.Schema;
import javax.sql.DataSource;
import org.apache.ibatis.mapping.Environment;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.ExecutorType;
import org.apache.ibatis.session.defaults.DefaultSqlSessionFactory;
import org.mybatis.spring.SqlSessionTemplate;
import org.mybatis.spring.transaction.SpringManagedTransactionFactory;
import org.springframework.stereotype.Component;

/** Hands out MyBatis mappers. They are read when a store asks, so that nothing is looked for at the start. */
@Component
class Mappers {

    private final Configuration known;
    private final SqlSessionTemplate session;

    /** @param schema the tables are as this version needs them */
    Mappers(DataSource source, Schema schema) {
        known = new Configuration(new Environment("loculus", new SpringManagedTransactionFactory(), source));
        known.setMapUnderscoreToCamelCase(true);
        known.setArgNameBasedConstructorAutoMapping(true);
        session = new SqlSessionTemplate(new DefaultSqlSessionFactory(known), ExecutorType.BATCH);
    }

    <T> T of(Class<T> mapper) {
        if (!known.hasMapper(mapper)) {
            known.addMapper(mapper);
        }
        return session.getMapper(mapper);
    }
}
