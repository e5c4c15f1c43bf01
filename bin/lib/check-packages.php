<?php

declare(strict_types=1);

// Compares the installed PHP packages with config/php-packages.txt, one “name version” a line, “dev” behind those for tests only.
// usage: php bin/lib/check-packages.php [--no-dev]
$root = dirname(__DIR__, 2);
$withTests = !in_array('--no-dev', $argv, true);
$wanted = [];
foreach (file($root.'/config/php-packages.txt', \FILE_IGNORE_NEW_LINES | \FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
    [$name, $version, $for] = [...explode(' ', $line), ''];
    if ($withTests || 'dev' !== $for) {
        $wanted[$name] = $version;
    }
}
$installed = json_decode((string) file_get_contents($root.'/vendor/composer/installed.json'), true);
$found = array_column(is_array($installed) ? $installed['packages'] ?? [] : [], 'version', 'name');
$differing = [];
foreach ($wanted + $found as $name => $version) {
    if (($wanted[$name] ?? null) !== ($found[$name] ?? null)) {
        $differing[] = sprintf('%s: %s is wanted, %s is installed', $name, $wanted[$name] ?? 'none', $found[$name] ?? 'none');
    }
}
if ([] !== $differing) {
    fwrite(\STDERR, "The PHP packages differ from config/php-packages.txt:\n".implode("\n", $differing)."\n");
    exit(1);
}
