<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Elmstone\Shop\Retention;
use Elmstone\Shop\Shop;
use Override;

/** How long is kept what need not be kept for ever. */
final class RetentionSection extends FieldsSection
{
    #[Override]
    public function key(): string
    {
        return 'retention';
    }

    #[Override]
    public function title(): string
    {
        return 'How long things are kept';
    }

    #[Override]
    public function purpose(): string
    {
        return 'In days. What is older is thrown away at night. Documents, journals and the records of changes are '
            .'kept for ever.';
    }

    #[Override]
    public function fields(): array
    {
        return array_map(
            static fn (string $kind): Field => Field::number(
                $kind, Retention::KINDS[$kind][0], Retention::KINDS[$kind][2], Retention::KINDS[$kind][3],
            ),
            array_keys(Retention::KINDS),
        );
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $days = $this->read([...$this->now(), ...$given], $complaints);
        $complaints->end();
        Shop::query()->firstOrFail()->update(['retention' => $days]);
    }

    #[Override]
    protected function value(Shop $shop, Field $field): mixed
    {
        return $shop->retention[$field->name] ?? Retention::KINDS[$field->name][1];
    }
}
