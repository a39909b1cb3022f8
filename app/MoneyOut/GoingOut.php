<?php

declare(strict_types=1);

namespace Elmstone\MoneyOut;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Approvals\LimitMatter;

/** So much that is to leave the house by one way, of what original. */
final readonly class GoingOut
{
    /**
     * @param  int  $amount minor units
     * @param  string  $original what it came in by, as its number; empty: nothing is known
     * @param  int  $before minor units that left by the same way of the same original already
     * @param  LimitMatter|null  $matter whose limits hold; null: those of the way
     */
    public function __construct(
        public TenderKind $way,
        public int $amount,
        public string $original = '',
        public int $before = 0,
        private ?LimitMatter $matter = null,
    ) {
    }

    public function matter(): LimitMatter
    {
        return $this->matter ?? LimitMatter::from($this->way->value);
    }
}
