<?php

declare(strict_types=1);

namespace Stemmata\Http\Access;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/**
 * No script but our own files, no address but our own. Styles may stand inline: the editor and the menus place things
 * by them.
 */
#[AsEventListener]
final class SecurityHeaders
{
    private const POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; connect-src 'self'; worker-src 'self'; frame-src 'self' blob:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    public function __invoke(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        if (!$headers->has('Content-Security-Policy')) {
            $headers->set('Content-Security-Policy', self::POLICY);
        }
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('Referrer-Policy', 'no-referrer');
        // What never changes says so itself.
        if (
            !$headers->hasCacheControlDirective('immutable') &&
            (!$headers->has('Cache-Control') || str_contains((string) $headers->get('Cache-Control'), 'private'))
        ) {
            $headers->set('Cache-Control', 'no-store');
        }
    }
}
