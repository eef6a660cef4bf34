package org.umberdial.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication
@EnableScheduling
public class UmberDial {
    public static void main(String[] args) {
        SpringApplication.run(UmberDial.class, args);
    }

    /** Times are kept in UTC; a shop's own zone is for display. */
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
