package app.loculus.app;

import org.apache.ibatis.annotations.Mapper;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The application: one process, loopback only unless told otherwise. */
@SpringBootApplication
@ConfigurationPropertiesScan
@MapperScan(basePackages = "app.loculus.app.store", annotationClass = Mapper.class)
public class LoculusApplication {

    public static void main(String[] args) {
        SpringApplication.run(LoculusApplication.class, args);
    }
}
