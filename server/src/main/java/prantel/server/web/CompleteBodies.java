package prantel.server.web;

import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** Every field that is sent must be there unless its type says that it may be missing: no controller meets a hole. */
@RestControllerAdvice
class CompleteBodies extends RequestBodyAdviceAdapter {

    @Override
    public boolean supports(
            MethodParameter parameter, Type target, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        List<Problem> problems = new ArrayList<>();
        check(body, "", problems);
        ProblemsException.throwIfAny(problems);
        return body;
    }

    private static void check(@Nullable Object value, String where, List<Problem> problems) {
        if (value instanceof Collection<?> items) {
            int index = 0;
            for (Object item : items) {
                missingOr(item, where + "/" + index++, problems);
            }
        } else if (value instanceof Record record) {
            for (RecordComponent field : record.getClass().getRecordComponents()) {
                Object inside = of(record, field);
                String path = where.isEmpty() ? field.getName() : where + "/" + field.getName();
                if (inside != null || !field.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    missingOr(inside, path, problems);
                }
            }
        }
    }

    private static void missingOr(@Nullable Object value, String where, List<Problem> problems) {
        if (value == null) {
            problems.add(new Problem("missing", where, "nothing", "fill it in"));
        } else {
            check(value, where, problems);
        }
    }

    private static @Nullable Object of(Record record, RecordComponent field) {
        try {
            var accessor = field.getAccessor();
            accessor.setAccessible(true);
            return accessor.invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("Field " + field.getName() + " of " + record.getClass(), e);
        }
    }
}
