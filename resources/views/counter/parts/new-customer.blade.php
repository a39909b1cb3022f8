<form id="new-customer" class="mt-2 p-2 border rounded" method="post"
    action="{{ route('counter.new-customer', $target) }}" data-act data-closes="new-customer" data-takes-entry
    @panel hidden>
    <div class="row g-2 align-items-end">
        <div class="col-5">
        <label for="new-name" class="small soft">New customer’s name</label><input class="form-control" id="new-name"
            name="name" maxlength="120" autocomplete="off" data-from-entry></div>
        <div class="col-3">
        <label for="new-phone" class="small soft">Phone</label><input class="form-control" id="new-phone" name="phone"
            maxlength="40" inputmode="tel" autocomplete="off"></div>
        <div class="col-4">
        <label for="new-mail" class="small soft">Mail</label><input class="form-control" id="new-mail" name="mail"
            maxlength="160" inputmode="email" autocomplete="off"></div>
        <div class="col-9 d-flex gap-3 align-items-center">
        <label class="small soft">Type <select class="form-select d-inline-block w-auto" name="customer_type_id"
            aria-label="Type of customer"><option value="">none</option>@foreach($customerTypes as $type)
            <option value="{{ $type->id }}">{{ $type->name }}</option>@endforeach</select></label>
            <label class="d-flex gap-2 align-items-center"><input type="radio" class="form-check-input m-0" name="kind"
                value="person" checked> person</label>
            <label class="d-flex gap-2 align-items-center"><input type="radio" class="form-check-input m-0" name="kind"
                value="firm"> firm</label></div>
        <div class="col-3 text-end"><button class="quiet-act">Add customer</button></div>
    </div>
    <details class="small"><summary class="soft">With a type, allowed by</summary>
    <x-approval id="nc" when="A type changes prices, so another person allows it:"/></details>
    @include('counter.parts.new-customer-said')
</form>
