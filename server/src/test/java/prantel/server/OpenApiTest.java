package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.security.test.context.support.WithMockUser;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Keeps {@code web/openapi.json}, from which the browser's types are made, equal to what the server serves. Rewrites it
 * under {@code -Dopenapi.update=true}.
 */
@TestServer
class OpenApiTest {
    private static final Path FILE = Path.of("../web/openapi.json");

    @Autowired
    private MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private final Map<String, Class<?>> records = new HashMap<>();

    @Test
    @WithMockUser(roles = "ASSESSOR")
    void browserTypesAreMadeFromWhatTheServerServes() throws Exception {
        String served =
                mvc.perform(get("/v3/api-docs")).andReturn().getResponse().getContentAsString(StandardCharsets.UTF_8);
        JsonMapper mapper = JsonMapper.builder()
                .enable(SerializationFeature.INDENT_OUTPUT)
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .build();
        ObjectNode api = (ObjectNode) mapper.readTree(served);
        api.remove("servers");
        collectRecords();
        api.get("components")
                .get("schemas")
                .properties()
                .forEach(e -> sayWhatMayBeNull(e.getKey(), (ObjectNode) e.getValue()));
        String sorted = mapper.writeValueAsString(mapper.treeToValue(api, Map.class)) + "\n";
        if (Boolean.getBoolean("openapi.update")) {
            Files.writeString(FILE, sorted);
        }
        assertThat(Files.readString(FILE))
                .as("web/openapi.json is out of date: ./prantel types rewrites it")
                .isEqualTo(sorted);
    }

    private void collectRecords() {
        mappings.getHandlerMethods().values().forEach(method -> {
            if (method.getBeanType().getPackageName().startsWith("prantel")) {
                collect(method.getMethod().getGenericReturnType());
                Arrays.stream(method.getMethod().getGenericParameterTypes()).forEach(this::collect);
            }
        });
        collect(prantel.core.quantity.Problem.class);
    }

    private void collect(Type type) {
        if (type instanceof ParameterizedType generic) {
            Arrays.stream(generic.getActualTypeArguments()).forEach(this::collect);
        } else if (type instanceof Class<?> found && found.isRecord()) {
            Class<?> before = records.put(found.getSimpleName(), found);
            if (before == null) {
                Arrays.stream(found.getRecordComponents()).forEach(c -> collect(c.getGenericType()));
            } else {
                assertThat(names(before))
                        .as("two different records are called " + found.getSimpleName())
                        .isEqualTo(names(found));
            }
        }
    }

    private static List<String> names(Class<?> type) {
        return Arrays.stream(type.getRecordComponents())
                .map(RecordComponent::getName)
                .toList();
    }

    /** Fields as they are sent: those of a part that is sent as if they were its own are the whole's. */
    private static List<RecordComponent> fields(Class<?> type) {
        return Arrays.stream(type.getRecordComponents())
                .flatMap(c -> c.getAccessor().isAnnotationPresent(JsonUnwrapped.class)
                        ? fields(c.getType()).stream()
                        : Stream.of(c))
                .toList();
    }

    /** Every field is always there; one that may be null says so. */
    private void sayWhatMayBeNull(String name, ObjectNode schema) {
        Class<?> type = records.get(name);
        if (type == null || !schema.has("properties")) {
            return;
        }
        ArrayNode required = schema.putArray("required");
        for (RecordComponent component : fields(type)) {
            required.add(component.getName());
            JsonNode property = schema.get("properties").get(component.getName());
            if (component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                ObjectNode either = schema.objectNode();
                either.putArray("anyOf").add(property).addObject().put("type", "null");
                ((ObjectNode) schema.get("properties")).set(component.getName(), either);
            }
        }
    }
}
