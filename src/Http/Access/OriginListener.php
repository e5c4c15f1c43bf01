<?php

declare(strict_types=1);

namespace Stemmata\Http\Access;

use Stemmata\Http\Request\ProblemException;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/** Takes writes from our own pages only. Programs that are no browser send neither header and are let through. */
#[AsEventListener]
final class OriginListener
{
    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if ($request->isMethodSafe()) {
            return;
        }
        $site = $request->headers->get('Sec-Fetch-Site', 'none');
        $origin = $request->headers->get('Origin');
        $isOwn = null === $origin || $origin === $request->getSchemeAndHttpHost();
        if (!in_array($site, ['same-origin', 'none'], true) || !$isOwn) {
            throw ProblemException::otherOrigin();
        }
    }
}
