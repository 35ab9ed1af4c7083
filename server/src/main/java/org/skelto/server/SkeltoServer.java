package org.skelto.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The server: storage, API and the page. */
@SpringBootApplication
public class SkeltoServer {
    public static void main(String[] args) {
        SpringApplication.run(SkeltoServer.class, args);
    }
}
