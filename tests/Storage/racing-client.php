<?php

declare(strict_types=1);

// One client of a race: does one thing over and over for so many seconds, and reports in JSON what was acknowledged.
// usage: racing-client.php ADDRESS DOCUMENT OTHER WHAT SECONDS
[, $address, $document, $other, $what, $seconds] = $argv;
$report = ['inserted' => [], 'revisions' => [], 'failures' => [], 'done' => 0];
$call = static function (string $method, string $path, array|string $body = []) use ($address, &$report): array {
    $answer = file_get_contents($address.$path, false, stream_context_create(['http' => [
        'method' => $method, 'header' => 'Content-Type: application/json', 'ignore_errors' => true, 'timeout' => 30,
        'content' => is_string($body) ? $body : json_encode($body),
    ]]));
    $status = (int) (explode(' ', $http_response_header[0] ?? '')[1] ?? 0);
    if (false === $answer || $status >= 500 || 0 === $status) {
        $report['failures'][] = "{$method} {$path}: {$status} ".substr((string) $answer, 0, 200);
    }
    $json = json_decode((string) $answer, true);

    return ($status < 300 ? [] : ['refused' => true]) + (is_array($json) ? $json : []);
};
$read = static fn (string $id): array => $call('GET', "/api/documents/{$id}");
$took = static function (string $id, array $answer) use (&$report): void {
    if (!isset($answer['refused'])) {
        ++$report['done'];
        if (is_int($answer['revision'] ?? null) && $answer['revision'] !== ($answer['previousRevision'] ?? null)) {
            $report['revisions'][$id][] = $answer['revision'];
        }
    }
};
$operate = static function (string $id, int $base, array $operation) use ($call, $took): array {
    $answer = $call('POST', "/api/documents/{$id}/operations", ['baseRevision' => $base, 'operation' => $operation]);
    $took($id, $answer);

    return $answer;
};
for ($until = microtime(true) + (float) $seconds, $round = 0; microtime(true) < $until; ++$round) {
    $now = $read($document);
    if (!isset($now['revision'])) {
        continue;
    }
    $base = $now['revision'];
    $ids = $now['outline']['ids'];
    switch ($what) {
        case 'inserts':
            $heading = 'Insert '.$round;
            $answer = $operate($document, $base, ['name' => 'batch', 'operations' => [['name' => 'rename', 'section' => $ids[0], 'heading' => $heading], ['name' => 'duplicate', 'sections' => [$ids[0]]]]]);
            isset($answer['refused']) || $report['inserted'][] = $heading;
            break;
        case 'moves':
        case 'copies':
            $answer = $call('POST', "/api/documents/{$document}/transfer", ['baseRevision' => $base, 'sections' => [end($ids)], 'other' => $other, 'landing' => 'after', 'moves' => 'moves' === $what && count($ids) > 3]);
            $took($document, $answer['here'] ?? $answer);
            break;
        case 'returns':
        case 'brings-back':
            $steps = array_merge(...($call('GET', "/api/documents/{$document}/history")['sittings'] ?? []), ...[[]]);
            $state = $steps[min(2, max(0, count($steps) - 1))]['id'] ?? 0;
            $took($document, $call('POST', "/api/documents/{$document}/history/return", ['baseRevision' => $base, 'state' => $state] + ('returns' === $what ? [] : ['section' => end($ids)])));
            break;
        case 'undoes':
            $took($document, $call('POST', "/api/documents/{$document}/".(0 === $round % 2 ? 'undo' : 'redo'), ['baseRevision' => $base]));
            break;
        case 'imports-into':
            $answer = $call('POST', "/api/documents/{$document}/import?name=x.md&landing=after&target=".end($ids)."&baseRevision={$base}", "# From a file {$round}\n\ntext\n");
            $took($document, $answer['outcome'] ?? $answer);
            break;
        case 'imports':
            $took('', $call('POST', '/api/documents/import?name=x.md', str_repeat("# From a file {$round}\n\ntext\n\n", 900)));
            break;
        case 'names-milestones':
            $took('', $call('POST', "/api/documents/{$document}/history/milestones", ['name' => "Milestone {$round}"]));
            break;
        case 'keeps-resume-point':
            $took('', $call('PUT', "/api/documents/{$document}/resume-point", ['section' => $ids[0], 'position' => $round]));
            break;
        case 'removes-and-restores':
            $call('DELETE', "/api/documents/{$other}");
            $took('', $call('POST', "/api/documents/{$other}/restore"));
            break;
        case 'keeps-starters':
            $took('', $call('POST', "/api/documents/{$document}/starter", ['name' => "Starter {$round}"]));
            break;
    }
}
echo json_encode($report);
