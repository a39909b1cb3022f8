<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Approvals\LimitMatter;

/** So much that is to leave the house by one way, of what original. */
final readonly class GoingOut
{
    /**
     * @param  string  $original what it came in by, as its number; empty: nothing is known
     * @param  Money|null  $before what left by the same way of the same original already
     * @param  LimitMatter|null  $matter whose limits hold; null: those of the way
     */
    public function __construct(
        public TenderKind $way,
        public Money $amount,
        public string $original = '',
        public ?Money $before = null,
        private ?LimitMatter $matter = null,
    ) {
    }

    public function matter(): LimitMatter
    {
        return $this->matter ?? LimitMatter::from($this->way->value);
    }
}
