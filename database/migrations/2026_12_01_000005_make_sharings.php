<?php

declare(strict_types=1);

use Elmstone\Support\Database\Rows;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Who sells together and by which parts, and what they are paid for it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sharings', static function (Blueprint $table): void {
            $table->id();
            $table->char('digest', 64)->charset('ascii')->collation('ascii_bin')
                ->comment('of its people and parts: the same are kept once');
            $table->unique('digest');
        });
        Rows::keep('sharings');

        Schema::create('sharing_people', static function (Blueprint $table): void {
            $table->foreignId('sharing_id')->constrained();
            $table->unsignedSmallInteger('place');
            $table->foreignId('staff_id')->constrained('staff');
            $table->decimal('percent', 8, 4);
            $table->primary(['sharing_id', 'place']);
            $table->unique(['sharing_id', 'staff_id']);
        });
        Rows::keep('sharing_people');

        Schema::create('commission_rates', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('staff_id')->nullable()->comment('whose; null: a department’s or the house’s')
                ->constrained('staff');
            $table->foreignId('department_id')->nullable()->constrained();
            $table->decimal('rate', 8, 4)->comment('percent');
            $table->string('rate_of', 6)->comment('net, margin');
            $table->date('from');
            $table->date('until')->nullable()->comment('the last day; null: until further notice');
            $table->index(['from', 'until']);
        });
        Rows::check(
            'commission_rates',
            'rate_whose',
            "(staff_id is null or department_id is null) and rate <= 100 and rate_of in ('net', 'margin') "
                .'and (until is null or until >= `from`)',
        );

        Schema::create('commission_terms', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->string('earned_at', 8)->default('invoice')->comment('invoice, payment');
        });
    }
};
