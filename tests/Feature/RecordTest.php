<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\UnitPrice;
use Illuminate\Database\Eloquent\MissingAttributeException;

/** What a row says is what stands in it, however often it was read before. */
final class RecordTest extends FeatureCase
{
    private function item(): Item
    {
        return Item::query()->where('code', 'LH-1140')->firstOrFail();
    }

    public function test_a_value_is_made_once_and_again_when_the_column_changes(): void
    {
        $item = $this->item();
        $this->assertSame($item->list_price, $item->list_price);
        $before = $item->list_price;
        $item->list_price = UnitPrice::of('9.99');
        $this->assertSame('9.99', $item->list_price->toString());
        $item->setRawAttributes(['list_price' => '3.5000'] + $item->getAttributes());
        $this->assertSame('3.5', $item->list_price->toString());
        $item->refresh();
        $this->assertTrue($item->list_price->equals($before));
    }

    public function test_rows_read_at_once_share_nothing(): void
    {
        [$one, $other] = Item::query()->orderBy('id')->limit(2)->get()->all();
        $this->assertFalse($one->isDirty());
        $this->assertTrue($one->exists);
        $one->description = 'Something else';
        $this->assertTrue($one->isDirty('description'));
        $this->assertFalse($other->isDirty());
        $this->assertNotSame($one->description, $other->description);
        $one->save();
        $this->assertSame('Something else', $one->fresh()?->description);
        $this->assertNotSame('Something else', $other->fresh()?->description);
    }

    public function test_a_column_that_was_not_read_is_not_taken_for_an_empty_one(): void
    {
        $item = Item::query()->select('id')->firstOrFail();
        $this->expectException(MissingAttributeException::class);
        $item->getAttribute('description');
    }

    public function test_a_copy_keeps_its_own_values(): void
    {
        $item = $this->item();
        $price = $item->list_price->toString();
        $copy = clone $item;
        $copy->list_price = UnitPrice::of('1.25');
        $this->assertSame($price, $item->list_price->toString());
        $this->assertSame('1.25', $copy->list_price->toString());
    }
}
