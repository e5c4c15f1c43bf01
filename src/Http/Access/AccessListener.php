<?php

declare(strict_types=1);

namespace Stemmata\Http\Access;

use Stemmata\Http\Request\ProblemException;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * Who is answered. Only requests for a host that the installation names: a page of another host whose name resolves
 * here
 * could otherwise read everything. Beyond this machine, only behind a web server that has asked who is there.
 */
#[AsEventListener(priority: 1000)]
final readonly class AccessListener
{
    private const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

    /** @var list<string> */
    private array $hosts;

    /**
     * @param string $hosts names by which this installation is reached beside the loopback names, separated by commas
     */
    public function __construct(#[Autowire('%env(STEMMATA_HOSTS)%')] string $hosts)
    {
        $this->hosts = array_values(
            array_filter(array_map(static fn(string $host): string => strtolower(trim($host)), explode(',', $hosts))),
        );
    }

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        $host = self::host($request);
        if (in_array($host, self::LOOPBACK, true)) {
            return;
        }
        if (!in_array($host, $this->hosts, true)) {
            throw ProblemException::otherHost();
        }
        // The web server sets it where it has checked the name, as deploy/ shows; what a browser sends never comes under it.
        if ('' === $request->server->getString('STEMMATA_LOGIN')) {
            throw ProblemException::noLogin();
        }
    }

    /** Without its port; empty for a name that no host can have. */
    private static function host(Request $request): string
    {
        try {
            return strtolower($request->getHost());
        } catch (\UnexpectedValueException) {
            return '';
        }
    }
}
