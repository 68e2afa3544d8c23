<?php

declare(strict_types=1);

namespace Tests\Mutants;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/** Small faults that could stand in a file: one operator, bound, constant, guard or item changed in each. */
final class Faults extends NodeVisitorAbstract
{
    private const SWAPPED = [
        BinaryOp\Smaller::class => '<=',
        BinaryOp\SmallerOrEqual::class => '<',
        BinaryOp\Greater::class => '>=',
        BinaryOp\GreaterOrEqual::class => '>',
        BinaryOp\Identical::class => '!==',
        BinaryOp\NotIdentical::class => '===',
        BinaryOp\Plus::class => '-',
        BinaryOp\Minus::class => '+',
        BinaryOp\Mul::class => '/',
        BinaryOp\Div::class => '*',
    ];
    private const OTHER = [
        'min' => 'max', 'max' => 'min', 'floor' => 'ceil', 'ceil' => 'floor', 'above' => 'atLeast', 'atLeast' => 'above', 'below' => 'atMost',
        'atMost' => 'below',
        'positive' => 'notNegative',
    ];

    /** @var list<Fault> */
    private array $found = [];

    private function __construct(private readonly string $file, private readonly string $code)
    {
    }

    /** @return list<Fault> */
    public static function of(string $file): array
    {
        $code = (string) file_get_contents($file);
        $faults = new self($file, $code);
        (new NodeTraverser($faults))->traverse((new ParserFactory())->createForHostVersion()->parse($code) ?? []);

        return $faults->found;
    }

    public function enterNode(Node $node): ?int
    {
        if ($node instanceof Node\Attribute || $node instanceof Node\DeclareItem || $node instanceof Node\Scalar\InterpolatedString) {
            return NodeTraverser::DONT_TRAVERSE_CHILDREN;
        }
        match (true) {
            $node instanceof BinaryOp => $this->operator($node),
            $node instanceof Node\Scalar\Int_ => $this->put($node, (string) ($node->value + 1), 'one more'),
            $node instanceof Node\Scalar\Float_ => $this->put($node, var_export($node->value === 0.0 ? 0.1 : $node->value * 1.02, true), 'two per cent more'),
            $node instanceof Expr\BooleanNot => $this->put($node, "({$this->text($node->expr)})", 'not dropped'),
            $node instanceof Expr\ConstFetch => $this->truth($node),
            $node instanceof Expr\Ternary && $node->if !== null => $this->put(
                $node,
                "(({$this->text($node->cond)}) ? ({$this->text($node->else)}) : ({$this->text($node->if)}))",
                'the other way round',
            ),
            $node instanceof Node\Stmt\If_ && $node->elseifs === [] && $node->else === null => $this->put($node->cond, 'false', 'never'),
            $node instanceof Node\ArrayItem && $node->unpack => $this->put($node, '...[]', 'nothing spread'),
            $node instanceof Expr\CallLike => $this->call($node),
            default => null,
        };

        return null;
    }

    private function operator(BinaryOp $node): void
    {
        [$left, $right] = [$this->text($node->left), $this->text($node->right)];
        $sign = self::SWAPPED[$node::class] ?? null;
        $sign === null || $this->put($node, "({$left}) {$sign} ({$right})", "{$node->getOperatorSigil()} as {$sign}");
        if ($node instanceof BinaryOp\BooleanAnd || $node instanceof BinaryOp\BooleanOr) {
            $this->put($node, "({$left})", 'right side dropped');
            $this->put($node, "({$right})", 'left side dropped');
        }
        if ($node instanceof BinaryOp\Coalesce && !$node->right instanceof Expr\Throw_) {
            $this->put($node, $right, 'left of ?? dropped');
        }
    }

    private function truth(Expr\ConstFetch $node): void
    {
        $name = $node->name->toLowerString();
        in_array($name, ['true', 'false'], true) && $this->put($node, $name === 'true' ? 'false' : 'true', 'the other truth');
    }

    private function call(Expr\CallLike $node): void
    {
        $name = $node instanceof Expr\FuncCall || $node instanceof Expr\MethodCall || $node instanceof Expr\StaticCall ? $node->name : null;
        $word = $name instanceof Node\Name || $name instanceof Node\Identifier ? $name->toString() : '';
        if ($name instanceof Node && isset(self::OTHER[$word])) {
            $this->put($name, self::OTHER[$word], "{$word} as ".self::OTHER[$word]);
        }
        if ($node instanceof Expr\MethodCall && $word === 'only') {
            $this->put($node, $this->text($node->var), 'unknown fields taken');
        }
        if ($node instanceof Expr\MethodCall && $word === 'between') {
            $this->put($node, $this->text($node->var).'->number()', 'bounds dropped');
        }
    }

    private function put(Node $node, string $new, string $says): void
    {
        $from = $node->getStartFilePos();
        $this->found[] = new Fault(
            file: $this->file,
            line: $node->getStartLine(),
            from: $from,
            to: $node->getEndFilePos() + 1,
            new: $new,
            says: $says,
            old: $this->text($node),
        );
    }

    private function text(Node $node): string
    {
        return substr($this->code, $node->getStartFilePos(), $node->getEndFilePos() - $node->getStartFilePos() + 1);
    }
}
