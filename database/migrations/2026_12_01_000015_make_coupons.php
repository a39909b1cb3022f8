<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Coupons. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('coupons', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 40);
            $table->string('description', 160);
            $table->decimal('percent', 8, 4)->nullable();
            $table->bigInteger('amount')->nullable();
            $table->json('items')->nullable()->comment('ids; null with departments null: the whole slip');
            $table->json('departments')->nullable();
            $table->bigInteger('least_spend')->nullable();
            $table->date('starts_on');
            $table->date('ends_on')->nullable()->comment('its last day');
            $table->unsignedInteger('most_uses')->nullable()->comment('null: any number');
            $table->unsignedInteger('uses')->default(0)->comment('kept under the row’s lock; proved against the '
                .'documents');
            $table->boolean('alone')->default(false);
            $table->boolean('active')->default(true);
            $table->unique('code');
        });
        Rows::check('coupons', 'coupon_uses', 'percent is null <> (amount is null) and (most_uses is null or uses <= '
            .'most_uses)');

        Schema::table(
            'document_coupons',
            static fn (Blueprint $table) => $table->foreign('coupon_id')->references('id')->on('coupons'),
        );
    }
};
