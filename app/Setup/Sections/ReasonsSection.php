<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\GoodsTo;
use Elmstone\Core\Money\Refused;
use Elmstone\Returns\ReturnReason;
use Elmstone\Returns\ReturnReasons;
use Elmstone\Returns\WriteOffReason;
use Elmstone\Returns\WriteOffReasons;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\FieldsSection;
use Elmstone\Shop\ReasonWords;
use Elmstone\Shop\Shop;
use Override;

/** Why things come back or are written off, and the words that are offered where a reason is typed. */
final class ReasonsSection extends FieldsSection
{
    private const MOST = 2000;

    #[Override]
    public function key(): string
    {
        return 'reasons';
    }

    #[Override]
    public function title(): string
    {
        return 'Reasons';
    }

    #[Override]
    public function purpose(): string
    {
        return 'Why goods come back, and what follows; why they are written off. And the words that are offered where '
            .'a reason is typed; anything else can be typed there, too.';
    }

    #[Override]
    public function view(): string
    {
        return 'setup.reasons';
    }

    #[Override]
    public function fields(): array
    {
        $fields = [];
        $goods = [];

        foreach ([GoodsTo::Stock, GoodsTo::WrittenOff, GoodsTo::Supplier] as $to) {
            $goods[$to->value] = $to->words();
        }

        foreach (ReturnReasons::OF_GOODS as $reason) {
            $shipped = $reason->shippedWords();
            array_push(
                $fields,
                Field::text("{$reason->value}_words", ucfirst($shipped).': called', 40)->needed('What is it called?'),
                Field::tick("{$reason->value}_offered", ucfirst($shipped).': offered'),
                Field::tick("{$reason->value}_fee", ucfirst($shipped).': a restocking fee is kept'),
                Field::choice("{$reason->value}_goods", ucfirst($shipped).': the goods go', $goods)->needed(),
            );
        }

        foreach (WriteOffReason::cases() as $reason) {
            $shipped = 'Written off as '.$reason->shippedWords();
            $name = WriteOffReasons::SET.$reason->value;
            array_push(
                $fields,
                Field::text("{$name}_words", "{$shipped}: called", 40)->needed('What is it called?'),
                Field::tick("{$name}_offered", "{$shipped}: offered"),
            );
        }

        foreach (ReasonWords::KINDS as $kind => $words) {
            $fields[] = Field::long($kind, $words, self::MOST)->hint('one a line');
        }

        return $fields;
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $values = $this->read([...$this->now(), ...$given], $complaints);
        $complaints->end();
        $offered = array_filter(
            ReturnReasons::OF_GOODS,
            static fn (ReturnReason $reason): bool => $values["{$reason->value}_offered"] === true,
        );
        $offered === [] && throw Refused::because('none_offered', 'At least one reason for goods is offered.');
        $offered = array_filter(
            WriteOffReason::cases(),
            static fn (WriteOffReason $one): bool => $values[WriteOffReasons::SET."{$one->value}_offered"] === true,
        );
        $offered === [] && throw Refused::because('none_offered', 'At least one reason for writing off is offered.');
        Shop::query()->firstOrFail()->update(['reasons' => $values]);
    }

    #[Override]
    protected function value(Shop $shop, Field $field): mixed
    {
        $set = $shop->reasons[$field->name] ?? null;

        if ($set !== null || isset(ReasonWords::KINDS[$field->name])) {
            return $set;
        }

        preg_match('/^('.WriteOffReasons::SET.')?(.+)_([a-z]+)$/D', $field->name, $parts);
        [, $off, $reason, $what] = $parts + ['', '', '', ''];

        if ($off !== '') {
            return $what === 'words' ? WriteOffReason::from($reason)->shippedWords() : true;
        }

        $reason = ReturnReason::from($reason);

        return match ($what) {
            'words' => $reason->shippedWords(),
            'fee' => $reason->shippedFee(),
            'goods' => $reason->shippedGoodsTo()->value,
            default => true,
        };
    }
}
