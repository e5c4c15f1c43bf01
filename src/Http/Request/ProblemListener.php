<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Psr\Log\LoggerInterface;
use Stemmata\Core\CoreException;
use Stemmata\Disk\NoRoom;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Storage\Database\StorageTrouble;
use Stemmata\Storage\Document\UnknownDocument;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Answers every error with a problem after RFC 9457. What went wrong inside goes to the log, never to the reader. */
#[AsEventListener(priority: 10)]
final readonly class ProblemListener
{
    public function __construct(private LoggerInterface $logger) {}

    public function __invoke(ExceptionEvent $event): void
    {
        $problem = self::problemOf($event->getThrowable());
        if ($problem->status >= 500) {
            $this->logger->error($event->getThrowable()->getMessage(), ['exception' => $event->getThrowable()]);
        }
        $event->setResponse(self::response($problem));
    }

    public static function response(object $problem): Response
    {
        $status = $problem->status ?? 500;

        return new JsonResponse($problem, is_int($status) ? $status : 500, [
            'Content-Type' => 'application/problem+json',
        ]);
    }

    public static function problemOf(\Throwable $error): Problem
    {
        if ($error instanceof ProblemException) {
            return self::of($error->getStatusCode(), $error->reason, $error->getMessage());
        }
        if ($error instanceof UnknownDocument) {
            return self::of(404, 'unknown-document', $error->getMessage());
        }
        if ($error instanceof CoreException || $error instanceof FormatException) {
            return self::of(422, 'invalid', $error->getMessage());
        }
        if ($error instanceof HttpExceptionInterface) {
            $isMissing = 404 === $error->getStatusCode();

            return self::of(
                $error->getStatusCode(),
                $isMissing ? 'unknown-address' : 'malformed',
                $isMissing ? 'There is nothing at this address.' : 'The request cannot be served in this form.',
            );
        }

        if ($error instanceof NoRoom) {
            return self::of(507, StorageTrouble::DiskFull->value, $error->getMessage());
        }
        $trouble = StorageTrouble::findIn($error);
        if (null !== $trouble) {
            return self::of(StorageTrouble::DiskFull === $trouble ? 507 : 503, $trouble->value, $trouble->sentence());
        }

        return self::of(
            500,
            'internal',
            'Something went wrong inside Stemmata. Nothing was changed; the log says more.',
        );
    }

    public static function of(int $status, string $reason, string $sentence): Problem
    {
        return new Problem('about:blank', Response::$statusTexts[$status] ?? 'Error', $status, $sentence, $reason);
    }
}
