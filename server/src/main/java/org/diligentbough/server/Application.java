package org.diligentbough.server;

import java.time.Clock;
import org.apache.ibatis.annotations.Mapper;
import org.diligentbough.core.Rulebook;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server: web API, database, files in and out, and the interface's files. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
@MapperScan(annotationClass = Mapper.class)
public class Application {

    public static void main(String[] args) {
        SpringApplication.run(Application.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    /** Read at start, so that a bad data file stops it. */
    @Bean
    Rulebook rulebook() {
        return Rulebook.load();
    }
}
