<?php

declare(strict_types=1);

namespace Elmstone\Tests\House;

use Elmstone\Core\Money\Money;
use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\IdentifierRuleError;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;
use PHPStan\Type\Type;
use PHPStan\Type\TypeCombinator;

/**
 * Money is compared and added by its own methods. An operator between it and something else answers too, but wrongly:
 * `$total === 0` is never true, and two equal amounts are not the same object.
 *
 * @implements Rule<Expr>
 */
final class MoneyCompared implements Rule
{
    private const FUNCTIONS = ['min', 'max', 'abs', 'array_sum', 'in_array', 'array_search', 'array_unique', 'intdiv'];

    public function getNodeType(): string
    {
        return Expr::class;
    }

    /** @return list<IdentifierRuleError> */
    public function processNode(Node $node, Scope $scope): array
    {
        return $this->isWrong($node, $scope)
            ? [
                RuleErrorBuilder::message('Money is compared and added by its own methods.')
                    ->identifier('money')
                    ->build(),
            ]
            : [];
    }

    private function isWrong(Expr $node, Scope $scope): bool
    {
        return match (true) {
            $node instanceof BinaryOp => $this->compares($node) && $this->areWrong(
                $scope->getType($node->left),
                $scope->getType($node->right),
            ),
            $node instanceof Expr\BooleanNot, $node instanceof Expr\Cast => self::isMoney($scope->getType($node->expr)),
            $node instanceof Expr\Ternary => self::isMoney($scope->getType($node->cond)),
            $node instanceof Expr\FuncCall => $this->sums($node, $scope),
            default => false,
        };
    }

    private function compares(BinaryOp $node): bool
    {
        return ! $node instanceof BinaryOp\BooleanAnd
            && ! $node instanceof BinaryOp\BooleanOr
            && ! $node instanceof BinaryOp\Coalesce
            && ! $node instanceof BinaryOp\Concat;
    }

    private function areWrong(Type $left, Type $right): bool
    {
        return (self::holdsMoney($left) && ! self::saysNothing($right))
            || (self::holdsMoney($right) && ! self::saysNothing($left));
    }

    private function sums(Expr\FuncCall $node, Scope $scope): bool
    {
        if (! $node->name instanceof Node\Name || ! in_array($node->name->toLowerString(), self::FUNCTIONS, true)) {
            return false;
        }

        foreach ($node->getArgs() as $argument) {
            if (self::holdsMoney($scope->getType($argument->value))) {
                return true;
            }
        }

        return false;
    }

    private static function isMoney(Type $type): bool
    {
        return TypeCombinator::removeNull($type)->getObjectClassNames() === [Money::class];
    }

    /** Money, or a list with money in it; two arrays by name may be put together. */
    private static function holdsMoney(Type $type): bool
    {
        return self::isMoney($type)
            || ($type->isList()->yes() && in_array(Money::class, $type->getReferencedClasses(), true));
    }

    private static function saysNothing(Type $type): bool
    {
        return $type->isNull()->yes() || ($type->isArray()->yes() && $type->isIterableAtLeastOnce()->no());
    }
}
