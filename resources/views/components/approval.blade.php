@props(['id' => 'ap', 'when' => 'Where it is more than you may, another person allows it:'])
{{-- The field for somebody else's approval on a page of the office. --}}
<x-reasons of="approval"/>
<fieldset class="filters approval"><legend class="small soft">{{ $when }}</legend>
    <input class="form-control w-6" id="{{ $id }}-approver" name="approver" inputmode="numeric" placeholder="Staff no."
        aria-label="Approver’s staff number" autocomplete="off">
    <input class="form-control w-6" id="{{ $id }}-pin" name="approver_pin" type="password" inputmode="numeric"
        placeholder="PIN" aria-label="Approver’s PIN" autocomplete="off">
    <input class="form-control w-auto" id="{{ $id }}-reason" name="approver_reason" placeholder="Reason"
        list="reasons-approval"
        aria-label="Reason for the approval" maxlength="255" autocomplete="off" value="{{ old('approver_reason') }}">
</fieldset>
