package org.skelto.server.load;

import jakarta.servlet.DispatcherType;
import java.util.EnumSet;
import org.springframework.boot.context.properties.EnableConfigurationProperties;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** Puts the gates before the application. */
@Configuration
@EnableConfigurationProperties(LoadLimits.class)
class LoadConfiguration {
    @Bean
    Admission admission(LoadLimits limits, BodyKinds kinds, Budgets budgets) {
        return new Admission(limits, kinds, budgets);
    }

    @Bean
    FilterRegistrationBean<Admission> admitted(Admission admission) {
        FilterRegistrationBean<Admission> bean = new FilterRegistrationBean<>(admission);
        // after the filter that refuses strangers
        bean.setOrder(Ordered.HIGHEST_PRECEDENCE + 1);
        bean.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
        bean.setAsyncSupported(true);
        return bean;
    }

    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> connections(LoadLimits limits) {
        return factory -> {
            factory.setProtocol(BoundedHeads.class.getName());
            factory.addConnectorCustomizers(
                    connector -> ((BoundedHeads) connector.getProtocolHandler()).setHeadTime(limits.headTime()));
            factory.addContextValves(new Connections.Reach());
        };
    }
}
