<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Core\Receivables\Ageing;

/** One account in an ageing. */
final readonly class AgedAccount
{
    public function __construct(
        public int $customerId,
        public int $number,
        public string $name,
        public string $phone,
        public bool $stopped,
        public Ageing $ageing,
    ) {
    }
}
