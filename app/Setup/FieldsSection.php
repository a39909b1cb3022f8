<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Shop\Shop;
use Override;

/** Fields that are columns of the shop. */
abstract class FieldsSection extends Section
{
    /** @return list<Field> */
    abstract public function fields(): array;

    #[Override]
    public function view(): string
    {
        return 'setup.fields';
    }

    #[Override]
    public function now(): array
    {
        $shop = Shop::query()->first();
        $now = [];

        foreach ($this->fields() as $field) {
            $now[$field->name] = $shop === null ? '' : $field->typed($this->value($shop, $field), $this->currency());
        }

        return $now;
    }

    #[Override]
    public function words(): array
    {
        $shop = Shop::query()->first();
        $words = [];

        foreach ($this->fields() as $field) {
            $words[$field->label] = $shop === null ? ''
                : $field->said($this->value($shop, $field), $this->currency());
        }

        return $words;
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        // What a file does not name stays as it is; a page names everything.
        $values = $this->read([...$this->now(), ...$given], $complaints);
        $complaints->end();
        Shop::query()->firstOrFail()->update($values);
    }

    #[Override]
    public function isReady(): bool
    {
        return true;
    }

    protected function value(Shop $shop, Field $field): mixed
    {
        return $shop->getAttribute($field->name);
    }

    /**
     * @param  array<mixed>  $given
     * @return array<string, mixed> values by column
     */
    protected function read(array $given, Complaints $complaints): array
    {
        $values = [];

        foreach ($this->fields() as $field) {
            $values[$field->name] = $complaints->read(
                $field->name,
                fn (): mixed => $field->read($given[$field->name] ?? '', $this->currency()),
            );
        }

        return $values;
    }
}
