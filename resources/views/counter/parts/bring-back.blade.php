@use('Elmstone\Books\GoodsTo')
@use('Elmstone\Returns\ReturnReason')
<section id="bring-back" class="bring-back" data-open="{{ request('back', '') }}" aria-label="Bring goods back"
    x-data="bringBack" @bring-back.window="open" @keydown="key" @input="typed" @click="press" hidden>
    <div class="bring-back-head">
        <div class="flex-fill">
        <label for="back-find" class="small soft">Receipt, item, customer, or card and day</label>
            <input class="form-control" id="back-find" autocomplete="off" data-takes-scan
                placeholder="INV-…, pipe, Hollis, 4711 12 Nov"
                    data-back-find="{{ route('counter.back.find', $target) }}"></div>
        <div><label for="back-reason" class="small soft">Why</label>
        <select class="form-select" id="back-reason" name="reason" form="back-form">
        @foreach(ReturnReason::forGoods() as $reason)
        <option value="{{ $reason->value }}">{{ $reason->words() }}</option>@endforeach</select></div>
        <div><label for="back-goods" class="small soft">Goods go</label>
        <select class="form-select" id="back-goods" name="goods_to" form="back-form">
        <option value="">as is usual</option>@foreach([GoodsTo::Stock, GoodsTo::WrittenOff, GoodsTo::Supplier] as $to)
        <option value="{{ $to->value }}">{{ $to->words() }}</option>@endforeach</select></div>
        <button type="button" class="quiet-act" data-toggles="bring-back">Close</button>
    </div>
    @include('counter.parts.bring-back-said')
    <form id="back-form" method="post" action="{{ route('counter.back.add', $target) }}" data-act
        data-closes="bring-back"><div id="returnable" aria-live="polite"></div></form>
    <details class="mt-1"><summary class="link-act small">Not in the list at all: a one-off line comes back</summary>
        <form class="row g-2 align-items-end mt-1" method="post"
            action="{{ route('counter.back.one-off', $target) }}" data-act data-closes="bring-back">
            <div class="col-4">
            <label for="back-words" class="small soft">What is it?</label><input class="form-control" id="back-words"
                name="description" maxlength="160"></div>
            <div class="col-2">
            <label for="back-quantity" class="small soft">Quantity</label><input class="form-control text-end"
                id="back-quantity" name="quantity" inputmode="decimal" value="1"></div>
            <div class="col-2">
            <label for="back-price" class="small soft">Each</label><input class="form-control text-end" id="back-price"
                name="price" inputmode="decimal"></div>
            <div class="col-2"><label for="back-department" class="small soft">Department</label>
            <select class="form-select" id="back-department" name="department_id">@foreach($departments as $department)
            <option value="{{ $department->id }}">{{ $department->name }}</option>@endforeach</select></div>
            <div class="col-2"><label for="back-tax" class="small soft">Tax</label>
            <select class="form-select" id="back-tax" name="tax_class">@foreach($letters as $code => $letter)
            <option value="{{ $code }}" @selected($code === 'standard')>{{ $letter }} · {{ $code }}</option>@endforeach
            </select></div>
            <input type="hidden" name="reason" value="{{ ReturnReason::forGoods()[0]->value }}">
            <div class="col-12 text-end">
            <span class="small soft me-2">Needs approval; to store credit or a gift card.</span><button
                class="quiet-act">Bring back</button></div>
        </form></details>
</section>
