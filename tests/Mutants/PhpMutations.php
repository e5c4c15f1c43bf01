<?php

declare(strict_types=1);

namespace Stemmata\Tests\Mutants;

use PhpParser\Node;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/**
 * The mistakes that can be made in a PHP file: in comparisons, boundaries, truth, numbers, calls and the order of
 * arguments. Left out is what changes nothing: what is asserted, the order in which min and max are given, an empty list
 * that would be begun by its first entry all the same, the bytes of a limit, and that words are looked for strictly, which
 * the formatter sees to (strict_param).
 */
final class PhpMutations extends NodeVisitorAbstract
{
    private const OPERATORS = [
        Node\Expr\BinaryOp\Smaller::class => ['<', '<=', 'boundary'],
        Node\Expr\BinaryOp\SmallerOrEqual::class => ['<=', '<', 'boundary'],
        Node\Expr\BinaryOp\Greater::class => ['>', '>=', 'boundary'],
        Node\Expr\BinaryOp\GreaterOrEqual::class => ['>=', '>', 'boundary'],
        Node\Expr\BinaryOp\Identical::class => ['===', '!==', 'comparison'],
        Node\Expr\BinaryOp\NotIdentical::class => ['!==', '===', 'comparison'],
        Node\Expr\BinaryOp\Equal::class => ['==', '!=', 'comparison'],
        Node\Expr\BinaryOp\BooleanAnd::class => ['&&', '||', 'boolean'],
        Node\Expr\BinaryOp\BooleanOr::class => ['||', '&&', 'boolean'],
        Node\Expr\BinaryOp\Plus::class => ['+', '-', 'arithmetic'],
        Node\Expr\BinaryOp\Minus::class => ['-', '+', 'arithmetic'],
    ];

    /** @var list<Mutation> */
    private array $found = [];

    private function __construct(private readonly string $file, private readonly string $source) {}

    /** @return list<Mutation> */
    public static function of(string $file, string $source): array
    {
        $visitor = new self($file, $source);
        (new NodeTraverser($visitor))->traverse(
            (new ParserFactory())->createForNewestSupportedVersion()->parse($source) ?? [],
        );

        return $visitor->found;
    }

    public function enterNode(Node $node): ?int
    {
        if (
            $node instanceof Node\Expr\FuncCall &&
            $node->name instanceof Node\Name &&
            in_array($node->name->toLowerString(), ['in_array', 'array_search', 'array_keys'], true)
        ) {
            ($node->args[2] ?? null)?->setAttribute('isStrictness', true);
        }
        if (self::changesNothing($node)) {
            return self::DONT_TRAVERSE_CHILDREN;
        }
        if ($node instanceof Node\Expr\BinaryOp\Coalesce) {
            $this->replace($node, $this->text($node->right), 'default');
        } elseif ($node instanceof Node\Expr\BinaryOp) {
            $this->operator($node);
        } elseif ($node instanceof Node\Expr\BooleanNot) {
            $this->replace($node, $this->text($node->expr), 'boolean');
        } elseif (
            $node instanceof Node\Expr\ConstFetch &&
            in_array($node->name->toLowerString(), ['true', 'false'], true)
        ) {
            $this->replace($node, 'true' === $node->name->toLowerString() ? 'false' : 'true', 'boolean');
        } elseif ($node instanceof Node\Scalar\Int_ && $node->value < 100_000) {
            $this->replace($node, (string) ($node->value + 1), 'off by one');
        } elseif (
            $node instanceof Node\Stmt\Expression &&
            ($node->expr instanceof Node\Expr\MethodCall ||
                $node->expr instanceof Node\Expr\StaticCall ||
                $node->expr instanceof Node\Expr\Assign)
        ) {
            $this->replace($node, ';', 'removed');
        } elseif (
            ($node instanceof Node\Expr\MethodCall ||
                $node instanceof Node\Expr\StaticCall ||
                $node instanceof Node\Expr\FuncCall) &&
            !$node->isFirstClassCallable()
        ) {
            $this->arguments($node);
        } elseif (
            $node instanceof Node\Stmt\Declare_ ||
            $node instanceof Node\Attribute ||
            $node instanceof Node\AttributeGroup
        ) {
            return self::DONT_TRAVERSE_CHILDREN;
        }

        return null;
    }

    private static function changesNothing(Node $node): bool
    {
        return match (true) {
            $node instanceof Node\Expr\FuncCall && $node->name instanceof Node\Name => 'assert' ===
                $node->name->toLowerString(),
            $node instanceof Node\Stmt\Expression && $node->expr instanceof Node\Expr\Assign => $node->expr
                ->expr instanceof Node\Expr\Array_ && [] === $node->expr->expr->items,
            $node instanceof Node\Arg => true === $node->getAttribute('isStrictness'),
            $node instanceof Node\Expr\BinaryOp\Mul => $node->right instanceof Node\Scalar\Int_ &&
                1024 === $node->right->value,
            default => false,
        };
    }

    private function operator(Node\Expr\BinaryOp $node): void
    {
        $rule = self::OPERATORS[$node::class] ?? null;
        $from = $node->left->getEndFilePos() + 1;
        $between = substr($this->source, $from, $node->right->getStartFilePos() - $from);
        $at = null === $rule ? false : strpos($between, $rule[0]);
        if (null !== $rule && false !== $at) {
            $this->found[] = new Mutation($this->file, $from + $at, $rule[0], $rule[1], $rule[2]);
        }
    }

    private function arguments(Node\Expr\MethodCall|Node\Expr\StaticCall|Node\Expr\FuncCall $call): void
    {
        $arguments = $call->getArgs();
        $isNamed =
            [] !== array_filter($arguments, static fn(Node\Arg $each): bool => null !== $each->name || $each->unpack);
        if (count($arguments) < 2 || $isNamed) {
            return;
        }
        [$first, $second] = [$this->text($arguments[0]), $this->text($arguments[1])];
        $from = $arguments[0]->getStartFilePos();
        $old = substr($this->source, $from, $arguments[1]->getEndFilePos() + 1 - $from);
        if ($first !== $second && !in_array($this->text($call->name), ['min', 'max'], true)) {
            $this->found[] = new Mutation($this->file, $from, $old, $second . ', ' . $first, 'swapped arguments');
        }
    }

    private function replace(Node $node, string $new, string $what): void
    {
        $this->found[] = new Mutation($this->file, $node->getStartFilePos(), $this->text($node), $new, $what);
    }

    private function text(Node $node): string
    {
        return substr($this->source, $node->getStartFilePos(), $node->getEndFilePos() + 1 - $node->getStartFilePos());
    }
}
