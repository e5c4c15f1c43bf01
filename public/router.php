<?php

declare(strict_types=1);

// For PHP's own server: files of the built front end are sent as they are, everything else goes to the application.
$path = (string) parse_url((string) $_SERVER['REQUEST_URI'], \PHP_URL_PATH);
if (str_starts_with($path, '/build/') && !str_contains($path, '..') && is_file(__DIR__ . $path)) {
    return false;
}
$_SERVER['SCRIPT_FILENAME'] = __DIR__ . '/index.php';
$_SERVER['SCRIPT_NAME'] = '/index.php';
require __DIR__ . '/index.php';
