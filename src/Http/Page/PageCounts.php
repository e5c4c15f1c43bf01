<?php

declare(strict_types=1);

namespace Stemmata\Http\Page;

use Psr\Log\LoggerInterface;
use Stemmata\Http\Request\OneSnapshot;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\UnknownDocument;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\FinishRequestEvent;

/** Keeps how many pages were counted while a request was answered, once it has read all that it reads (OneSnapshot). */
final class PageCounts
{
    /** @var array{string, int, int}|null document, pages, revision */
    private ?array $counted = null;

    public function __construct(private readonly Desk $desk, private readonly LoggerInterface $logger) {}

    public function remember(string $document, int $pages, int $revision): void
    {
        $this->counted = [$document, $pages, $revision];
    }

    #[AsEventListener(priority: OneSnapshot::END - 1)]
    public function keep(FinishRequestEvent $event): void
    {
        if (null === $this->counted || !$event->isMainRequest()) {
            return;
        }
        [$document, $pages, $revision] = $this->counted;
        $this->counted = null;
        try {
            $this->desk->keepPageCount($document, $pages, $revision);
        } catch (UnknownDocument) {
            // Taken off the desk meanwhile.
        } catch (\Throwable $error) {
            // They are counted again with the next look at them; the pages themselves are not to wait for that.
            $this->logger->warning('The number of pages could not be kept.', ['exception' => $error]);
        }
    }
}
