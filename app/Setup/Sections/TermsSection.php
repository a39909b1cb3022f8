<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Elmstone\Shop\TaxClass;
use Override;

/** What the house lets go, how long it holds, and how far things may be off. */
final class TermsSection extends FieldsSection
{
    #[Override]
    public function key(): string
    {
        return 'terms';
    }

    #[Override]
    public function title(): string
    {
        return 'Terms and tolerances';
    }

    #[Override]
    public function purpose(): string
    {
        return 'They hold from the moment they are kept. What was agreed with a customer before stays as agreed.';
    }

    #[Override]
    public function fields(): array
    {
        $classes = ['' => 'not taxed', ...$this->classes()];

        return [
            Field::money('largest_amount', 'No amount is above')->hint('what is typed beyond it is refused')
                ->needed('An amount above zero.'),
            Field::money('small_difference', 'A payment may be off by')->hint('let off as it is posted'),
            Field::money('returned_payment_fee', 'Fee of a payment that comes back'),
            Field::tick('refuse_after_bounce', 'No cheques from whose cheque came back'),
            Field::tick('bad_debt_tax', 'Tax of debts written off is claimed back'),
            Field::number('gift_card_months', 'Gift cards hold, months', 1, 600)->optional()->hint('none: for ever'),
            Field::choice('fee_tax_class', 'Fees are taxed as', $classes),
            Field::choice('plan_tax_class', 'A payment plan’s charge is taxed as', $classes),
            Field::number('blind_days', 'The lowest price is looked for back, days', 1, 730)
                ->hint('for goods without a receipt'),
        ];
    }

    /** @return array<string, string> */
    private function classes(): array
    {
        $names = TaxClass::query()->orderBy('name')->pluck('name', 'code')->all();

        return array_map(static fn (mixed $name): string => is_string($name) ? $name : '', $names);
    }
}
