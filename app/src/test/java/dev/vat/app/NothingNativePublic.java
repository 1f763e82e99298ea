package dev.vat.app;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;

/** No public method gives or takes a type of the native bindings. */
final class NothingNativePublic extends ArchCondition<JavaClass> {

    NothingNativePublic() {
        super("have no native type in a public method");
    }

    @Override
    public void check(JavaClass type, ConditionEvents events) {
        for (JavaMethod method : type.getMethods()) {
            boolean isNative = method.getRawReturnType().getPackageName().startsWith("org.bytedeco")
                    || method.getRawParameterTypes().stream().anyMatch(p -> p.getPackageName().startsWith("org.bytedeco"));
            if (isNative && method.getModifiers().contains(JavaModifier.PUBLIC)) {
                events.add(SimpleConditionEvent.violated(method, method.getFullName() + " shows a native type"));
            }
        }
    }
}
