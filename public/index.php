<?php

declare(strict_types=1);

use Stemmata\Kernel;
use Symfony\Component\ErrorHandler\Debug;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__) . '/vendor/autoload.php';

$environment = getenv('APP_ENV') ?: 'prod';
if ('dev' === $environment) {
    Debug::enable();
}
// A request is what its method says; a header that names another one would pass what looks at the method.
unset($_SERVER['HTTP_X_HTTP_METHOD_OVERRIDE']);
$kernel = new Kernel($environment, 'dev' === $environment);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
