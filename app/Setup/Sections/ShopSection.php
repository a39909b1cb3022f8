<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\Document;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Tax\TaxRounding;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Override;

/** The shop itself: its name, what it reckons in, and whether its prices have tax in them. */
final class ShopSection extends FieldsSection
{
    /** Bank notes where none were typed, in whole units of the currency. Common practice, no source. */
    private const NOTES = ['5', '10', '20', '50', '100'];

    private ?Currency $typed = null;

    public function __construct(private readonly Settings $settings)
    {
    }

    #[Override]
    public function key(): string
    {
        return 'shop';
    }

    #[Override]
    public function title(): string
    {
        return 'Shop';
    }

    #[Override]
    public function purpose(): string
    {
        return 'What stands on every paper, and what the house reckons in.';
    }

    #[Override]
    public function fields(): array
    {
        return [
            Field::text('name', 'Name of the shop', 120)->needed('What is the shop called?'),
            Field::text('country', 'Country')->hint('two letters, such as US')
                ->like('/^[A-Z]{2}$/D', 'Two capital letters of ISO 3166, such as US.')->needed(
                    'Two capital letters of ISO 3166, such as US.',
                ),
            Field::text('currency', 'Currency')->hint('three letters, such as USD')
                ->like('/^[A-Z]{3}$/D', 'Three capital letters of ISO 4217, such as USD.')->needed(
                    'Three capital letters of ISO 4217, such as USD.',
                ),
            Field::text('postcode', 'Postcode', 20),
            Field::text('tax_number', 'Tax number', 40)->hint('printed on invoices'),
            Field::text('bank_account', 'Bank account', 80)->hint('printed on statements'),
            Field::tick('tax_included', 'Prices have tax in them'),
            Field::choice('tax_rounding', 'Tax is rounded', [
                TaxRounding::PerDocument->value => 'once a document', TaxRounding::PerLine->value => 'on each line',
            ])->needed(),
            Field::money('cash_step', 'Cash is rounded to')->hint('such as 0.05'),
            Field::notes('notes', 'Bank notes in use')->hint('with commas'),
        ];
    }

    #[Override]
    public function now(): array
    {
        return Shop::query()->exists() ? parent::now()
            : [
                'name' => '', 'country' => '', 'currency' => '', 'postcode' => '', 'tax_number' => '',
                'bank_account' => '', 'tax_included' => '', 'tax_rounding' => TaxRounding::PerDocument->value,
                'cash_step' => '', 'notes' => implode(', ', self::NOTES),
            ];
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $given['tax_rounding'] ??= TaxRounding::PerDocument->value;
        $given['currency'] = self::capitals($given['currency'] ?? '');
        $given['country'] = self::capitals($given['country'] ?? '');
        $this->typed = preg_match('/^[A-Z]{3}$/D', $given['currency']) === 1 ? Currency::of($given['currency']) : null;
        $values = $this->read($given, $complaints);
        $shop = Shop::query()->first();
        $shop !== null && $shop->currency !== $given['currency'] && Document::query()->exists()
            && $complaints->say('currency', "The books are in {$shop->currency}, and stay so.");
        $complaints->end();
        $step = $values['cash_step'];
        $values['cash_step'] = $step instanceof Money && ! $step->isZero() ? $step : null;
        $values['notes'] = $values['notes'] === [] ? self::notes($this->currency()) : $values['notes'];

        // The currency first: amounts are written in it.
        $shop ??= Shop::query()->create(['name' => '', 'currency' => $given['currency'], 'notes' => []]);
        $shop->update(['currency' => $values['currency']]);
        $this->settings->forget();
        $shop->update($values);
        $this->typed = null;
    }

    #[Override]
    public function isReady(): bool
    {
        return Shop::query()->exists();
    }

    #[Override]
    protected function currency(): Currency
    {
        return $this->typed ?? parent::currency();
    }

    /** @return list<Money> */
    private static function notes(Currency $currency): array
    {
        return array_map(static fn (string $note): Money => Money::of($note, $currency), self::NOTES);
    }

    private static function capitals(mixed $typed): string
    {
        return is_string($typed) ? mb_strtoupper(trim($typed)) : '';
    }
}
