package org.diligentbough.server.task;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.task.TaskService.TickData;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Work besides cuts. */
@RestController
@RequestMapping("/api")
class TaskApi {
    private final TaskService service;

    TaskApi(TaskService service) {
        this.service = service;
    }

    /** Which one that is only asked for. */
    record TaskKey(
            @NotBlank(message = "is missing; give the key of a task")
            @Size(max = 200, message = "is longer than 200 letters")
            String key) {}

    /** A change with the version it was based on. */
    record TaskChange(
            @NotNull(message = "is missing; send the version the change is based on")
            Integer version,

            @Valid @NotNull(message = "is missing") TaskData data) {}

    /** What was missed, is due, comes within a year, and was done of late. */
    @GetMapping("/sites/{siteId}/tasks")
    List<TaskView> tasks(@PathVariable long siteId) {
        return service.ofSite(siteId);
    }

    @PostMapping("/sites/{siteId}/tasks")
    @ResponseStatus(HttpStatus.CREATED)
    TaskView addTask(@PathVariable long siteId, @Valid @RequestBody TaskData data) {
        return service.add(siteId, data);
    }

    /** Takes up one that is only asked for, by the season or by work done before. */
    @PostMapping("/sites/{siteId}/tasks/taken-up")
    TaskView takeTaskUp(@PathVariable long siteId, @Valid @RequestBody TaskKey sent) {
        return service.takeUp(siteId, sent.key());
    }

    @PutMapping("/tasks/{taskId}")
    TaskView changeTask(@PathVariable long taskId, @Valid @RequestBody TaskChange change) {
        return service.change(taskId, change.version(), change.data());
    }

    @DeleteMapping("/tasks/{taskId}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void dropTask(@PathVariable long taskId) {
        service.drop(taskId);
    }

    /** Ticks it off. What is sent again under the same key is ticked once. */
    @PostMapping("/tasks/{taskId}/done")
    TaskView taskDone(
            @PathVariable long taskId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody TickData data) {
        return service.done(taskId, key, data);
    }

    @DeleteMapping("/tasks/{taskId}/done")
    TaskView taskNotDone(@PathVariable long taskId) {
        return service.notDone(taskId);
    }
}
