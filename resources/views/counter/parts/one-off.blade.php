<form id="one-off" class="mt-2 p-2 border rounded" method="post" action="{{ route('counter.one-off', $target) }}"
    data-act data-closes="one-off" data-takes-entry @panel hidden>
    <input type="hidden" name="unknown" id="one-off-unknown" value="">
    <div class="row g-2 align-items-end">
        <div class="col-5">
        <label for="one-off-description" class="small soft">Not in the list: what is it?</label><input
            class="form-control" id="one-off-description" name="description" maxlength="160" data-from-entry></div>
        <div class="col-2">
        <label for="one-off-quantity" class="small soft">Quantity</label><input class="form-control text-end"
            id="one-off-quantity" name="quantity" inputmode="decimal" value="1"></div>
        <div class="col-2">
        <label for="one-off-price" class="small soft">Each</label><input class="form-control text-end"
            id="one-off-price" name="price" inputmode="decimal" value=""></div>
        <div class="col-3"><label for="one-off-department" class="small soft">Department</label>
        <select class="form-select" id="one-off-department" name="department_id">@foreach($departments as $department)
        <option value="{{ $department->id }}">{{ $department->name }}</option>@endforeach</select></div>
        <div class="col-3"><label for="one-off-owner" class="small soft">Somebody’s? Owner’s code</label><input
            class="form-control" id="one-off-owner" name="owner" maxlength="12" placeholder="the house’s"></div>
        <div class="col-6">@include('counter.parts.one-off-said')
            <label class="small soft">Tax
            <select class="form-select d-inline-block w-auto" name="tax_class" aria-label="Tax class">
            @foreach($letters as $code => $letter)
            <option value="{{ $code }}" @selected($code === 'standard')>{{ $letter }} · {{ $code }}</option>@endforeach
            </select></label></div>
        <div class="col-3 text-end"><button class="quiet-act">Add line</button></div>
    </div>
</form>
