package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelto.server.problems.Refusal;
import org.springframework.beans.factory.ObjectProvider;

class ExportSizesTest {
    private static final long MB = 1024 * 1024;

    @Test
    @SuppressWarnings("unchecked")
    void whatWouldMakeTheFileTooLargeIsRefusedBeforeItIsKept() {
        UUID plan = UUID.randomUUID();
        PlanAttachment pictures = mock(PlanAttachment.class);
        PlanAttachment heights = mock(PlanAttachment.class);
        when(pictures.size(plan)).thenReturn(50 * MB);
        when(heights.size(plan)).thenReturn(20 * MB);
        ObjectProvider<PlanAttachment> carried = mock(ObjectProvider.class);
        when(carried.stream()).thenAnswer(call -> Stream.of(pictures, heights));
        ExportSizes sizes = new ExportSizes(carried, 96 * MB, 8 * MB);
        assertDoesNotThrow(() -> sizes.makeRoom(plan, 10 * MB, "this picture"));
        Refusal refusal = assertThrows(Refusal.class, () -> sizes.makeRoom(plan, 11 * MB, "this picture"));
        assertTrue(
                refusal.getMessage().contains("With this picture")
                        && refusal.getMessage().contains("81.0 MB"),
                refusal.getMessage());
    }
}
