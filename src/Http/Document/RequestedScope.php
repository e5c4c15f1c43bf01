<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use Stemmata\Core\CoreException;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\Scope;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Request\ProblemException;
use Symfony\Component\HttpFoundation\Request;

/** The part of a document that a request is about: some sections, with what is under them or without. */
final class RequestedScope
{
    /**
     * `sections`: ids, separated by commas; `extent`: branch or heading-only. Without sections, the whole.
     *
     * @throws ProblemException for sections that are not there
     */
    public static function of(Document $document, Request $request): Document
    {
        $scope = self::read(
            $document->outline,
            $request->query->getString('sections'),
            $request->query->getString('extent'),
        );

        return null === $scope ? $document : $document->part($scope);
    }

    /**
     * @return Scope|null null for the whole
     *
     * @throws ProblemException for sections that are not there
     */
    public static function read(Outline $outline, string $sections, string $extent): ?Scope
    {
        $ids = array_values(array_filter(explode(',', $sections), static fn(string $id): bool => '' !== $id));
        if ([] === $ids) {
            return null;
        }
        try {
            $scope = Scope::of(
                $outline,
                array_map(SectionId::fromString(...), $ids),
                Extent::HeadingOnly->value !== $extent,
            );
        } catch (CoreException) {
            throw ProblemException::refused('unknown-section', Refused::unknownSection($ids[0])->sentence);
        }

        return $scope->isEmpty()
            ? throw ProblemException::refused('unknown-section', Refused::unknownSection($ids[0])->sentence)
            : $scope;
    }
}
