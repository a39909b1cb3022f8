<?php

declare(strict_types=1);

namespace Elmstone\Core\Tax;

use Elmstone\Core\Money\Percentage;

/**
 * One tax of a profile: its rate, the tax classes it applies to, and the earlier components it is charged on top of.
 */
final readonly class TaxComponent
{
    /**
     * @param  list<string>  $classes
     * @param  list<string>  $onTopOf ids of earlier components
     */
    public function __construct(
        public string $id,
        public Percentage $rate,
        public array $classes,
        public array $onTopOf = [],
    ) {
    }

    public function appliesTo(string $taxClass): bool
    {
        return in_array($taxClass, $this->classes, true);
    }
}
