<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Schema\Blueprint;

/** The columns every line has, on a slip, in an agreement or in a document; `LineValue` reads them. For migrations. */
final class LineColumns
{
    /** The code of a line that charges for bringing goods; it has no item and no department. */
    public const FREIGHT = 'FREIGHT';

    /** The code of a line that charges for paying by card; it has no item and no department. */
    public const SURCHARGE = 'SURCHARGE';

    /** What it is, how much of it, and at what price. */
    public static function goods(Blueprint $table): void
    {
        $table->foreignId('item_id')->nullable()->constrained();
        $table->string('code', 24);
        $table->string('description', 160);
        $table->foreignId('department_id')->nullable()->comment('null: a fee')->constrained();
        $table->decimal('quantity', 14, 4);
        $table->string('unit', 12);
        $table->decimal('unit_price', 14, 4);
        $table->unsignedSmallInteger('price_per');
        $table->string('price_rule', 12);
        $table->decimal('list_price', 14, 4);
        $table->string('tax_class', 20);
    }

    /** Who sold it; null: as all of it. */
    public static function seller(Blueprint $table): void
    {
        $table->foreignId('sharing_id')->nullable()->comment('who sold it; null: as all of it')->constrained();
    }

    /** What is off it. */
    public static function discount(Blueprint $table): void
    {
        $table->decimal('discount_percent', 8, 4)->nullable();
        $table->bigInteger('discount_amount')->nullable();
        $table->boolean('may_discount');
    }
}
